CREATE TABLE "label_paper" (
	"district_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"content" "bytea" NOT NULL,
	"by" text NOT NULL,
	"by_id" text,
	"by_roles" text[],
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "label_paper_district_id_id_pk" PRIMARY KEY("district_id","id")
);
--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "label_id" uuid;--> statement-breakpoint
ALTER TABLE "label" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "label" ADD COLUMN "replaces" uuid;--> statement-breakpoint
ALTER TABLE "label_paper" ADD CONSTRAINT "label_paper_label_fk" FOREIGN KEY ("district_id","id") REFERENCES "public"."label"("district_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan" ADD CONSTRAINT "plan_label_fk" FOREIGN KEY ("district_id","label_id") REFERENCES "public"."label"("district_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "label_replaced_once" ON "label" USING btree ("district_id","replaces");--> statement-breakpoint
ALTER TABLE label ADD CONSTRAINT label_replaces_fk FOREIGN KEY (district_id, replaces) REFERENCES label (district_id, id),
  ADD CONSTRAINT label_version CHECK (version BETWEEN 1 AND 10000);
ALTER TABLE label_paper ADD CONSTRAINT label_paper_size CHECK (length(content) BETWEEN 100 AND 20000000);
ALTER TABLE label_paper ENABLE ROW LEVEL SECURITY;
CREATE POLICY own_district ON label_paper TO sentinel_app USING (district_id = current_district()) WITH CHECK (district_id = current_district());
GRANT SELECT, INSERT ON label_paper TO sentinel_app;
CREATE TRIGGER refuse_truncate BEFORE TRUNCATE ON label_paper FOR EACH STATEMENT EXECUTE FUNCTION refuse_truncate();
CREATE TRIGGER label_paper_append_only BEFORE UPDATE OR DELETE ON label_paper FOR EACH ROW EXECUTE FUNCTION refuse_change();
