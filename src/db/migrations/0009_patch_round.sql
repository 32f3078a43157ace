ALTER TABLE "patch" ADD COLUMN "area_from" text DEFAULT 'drawn' NOT NULL;--> statement-breakpoint
ALTER TABLE "patch" ADD COLUMN "plants" integer;--> statement-breakpoint
ALTER TABLE "follow_up" DROP COLUMN "sample";--> statement-breakpoint
ALTER TABLE "demonstration" DROP COLUMN "sample";--> statement-breakpoint
ALTER TABLE "district" DROP COLUMN "list_version";--> statement-breakpoint
ALTER TABLE "patch" ADD CONSTRAINT "patch_area_from_known" CHECK (area_from IN ('drawn', 'typed', 'counted'));--> statement-breakpoint
ALTER TABLE "patch" ADD CONSTRAINT "patch_plants_some" CHECK (plants > 0);--> statement-breakpoint
ALTER TABLE "patch" ADD CONSTRAINT "patch_counted_has_plants" CHECK (area_from <> 'counted' OR plants IS NOT NULL);--> statement-breakpoint
DROP FUNCTION IF EXISTS patches_in_box(double precision, double precision, double precision, double precision);
