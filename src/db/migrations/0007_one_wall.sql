-- What later work stands on, in one pass: keys that carry the district, people and plants by id, a trail of what people change, jobs,
-- and the ledger's anchors. Rows from before are kept as they are; what cannot be known of them stays empty.
CREATE TABLE "auth"."known_device" (
	"device_hash" text NOT NULL,
	"user_id" text NOT NULL,
	"last_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "known_device_device_hash_user_id_pk" PRIMARY KEY("device_hash","user_id")
);
CREATE TABLE "auth"."second_factor" (
	"user_id" text PRIMARY KEY NOT NULL,
	"secret" text NOT NULL,
	"confirmed_at" timestamp with time zone,
	"last_step" bigint DEFAULT 0 NOT NULL
);
CREATE TABLE "auth"."secret_link" (
	"token_hash" text PRIMARY KEY NOT NULL,
	"user_id" text NOT NULL,
	"kind" text NOT NULL,
	"address" text,
	"by_machine" boolean DEFAULT false NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
CREATE TABLE "auth"."set_up_code" (
	"id" integer PRIMARY KEY NOT NULL,
	"code_hash" text NOT NULL,
	"tries" integer DEFAULT 0 NOT NULL,
	"next_at" timestamp with time zone DEFAULT now() NOT NULL,
	"used_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
CREATE TABLE "auth"."sign_in_tries" (
	"key" text PRIMARY KEY NOT NULL,
	"failed" integer NOT NULL,
	"next_at" timestamp with time zone NOT NULL,
	"last_at" timestamp with time zone DEFAULT now() NOT NULL
);
CREATE TABLE "ledger_anchor" (
	"district_id" uuid NOT NULL,
	"seq" integer NOT NULL,
	"hash" text NOT NULL,
	"format_two_from" integer,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "ledger_anchor_district_id_pk" PRIMARY KEY("district_id")
);
CREATE TABLE "sample_letter" (
	"district_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"recipient" text NOT NULL,
	"subject" text NOT NULL,
	"body" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "sample_letter_district_id_id_pk" PRIMARY KEY("district_id","id")
);
CREATE TABLE "change" (
	"district_id" uuid NOT NULL,
	"id" bigserial NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"what" text NOT NULL,
	"row_id" text NOT NULL,
	"act" text NOT NULL,
	"person_id" text,
	"person_name" text,
	"before" jsonb,
	"after" jsonb,
	CONSTRAINT "change_district_id_id_pk" PRIMARY KEY("district_id","id")
);
CREATE TABLE "counter" (
	"district_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"last" integer NOT NULL,
	CONSTRAINT "counter_district_id_kind_pk" PRIMARY KEY("district_id","kind")
);
CREATE TABLE "job" (
	"district_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"kind" text NOT NULL,
	"state" text DEFAULT 'waiting' NOT NULL,
	"input" jsonb NOT NULL,
	"result" jsonb,
	"progress" integer DEFAULT 0 NOT NULL,
	"total" integer,
	"problem" text,
	"cancel_asked" boolean DEFAULT false NOT NULL,
	"attempts" integer DEFAULT 0 NOT NULL,
	"not_before" timestamp with time zone DEFAULT now() NOT NULL,
	"asked_by" text NOT NULL,
	"asked_by_id" text,
	"asked_by_roles" text[],
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"started_at" timestamp with time zone,
	"heard_at" timestamp with time zone,
	"ended_at" timestamp with time zone,
	CONSTRAINT "job_district_id_id_pk" PRIMARY KEY("district_id","id")
);
CREATE TABLE "usage" (
	"district_id" uuid NOT NULL,
	"person_id" text NOT NULL,
	"day" date NOT NULL,
	"kind" text NOT NULL,
	"n" integer NOT NULL,
	CONSTRAINT "usage_district_id_person_id_day_kind_pk" PRIMARY KEY("district_id","person_id","day","kind")
);
--> statement-breakpoint
ALTER TABLE "follow_up" DROP CONSTRAINT "follow_up_patch_id_patch_id_fk";
ALTER TABLE "ledger_entry" DROP CONSTRAINT "ledger_entry_patch_id_patch_id_fk";
ALTER TABLE "ledger_entry" DROP CONSTRAINT "ledger_entry_plan_id_plan_id_fk";
ALTER TABLE "plan" DROP CONSTRAINT "plan_patch_id_patch_id_fk";
ALTER TABLE "plan" DROP CONSTRAINT "plan_finding_id_finding_id_fk";
ALTER TABLE "finding" DROP CONSTRAINT "finding_site_id_site_id_fk";
ALTER TABLE "finding" DROP CONSTRAINT "finding_patch_id_patch_id_fk";
ALTER TABLE "finding_event" DROP CONSTRAINT "finding_event_finding_id_finding_id_fk";
ALTER TABLE "picture" DROP CONSTRAINT "picture_finding_id_finding_id_fk";
ALTER TABLE "picture_marks" DROP CONSTRAINT "picture_marks_picture_id_picture_id_fk";
ALTER TABLE "patch" DROP CONSTRAINT "patch_site_id_site_id_fk";
DROP INDEX "list_entry_place";
ALTER TABLE "follow_up" DROP CONSTRAINT "follow_up_pkey";
ALTER TABLE "ledger_entry" DROP CONSTRAINT "ledger_entry_pkey";
ALTER TABLE "plan" DROP CONSTRAINT "plan_pkey";
ALTER TABLE "amendment" DROP CONSTRAINT "amendment_pkey";
ALTER TABLE "invitation" DROP CONSTRAINT "invitation_pkey";
ALTER TABLE "label" DROP CONSTRAINT "label_pkey";
ALTER TABLE "list_entry" DROP CONSTRAINT "list_entry_pkey";
ALTER TABLE "mail" DROP CONSTRAINT "mail_pkey";
ALTER TABLE "finding" DROP CONSTRAINT "finding_pkey";
ALTER TABLE "finding_event" DROP CONSTRAINT "finding_event_pkey";
ALTER TABLE "picture" DROP CONSTRAINT "picture_pkey";
ALTER TABLE "picture_marks" DROP CONSTRAINT "picture_marks_pkey";
ALTER TABLE "feature" DROP CONSTRAINT "feature_pkey";
ALTER TABLE "patch" DROP CONSTRAINT "patch_pkey";
ALTER TABLE "site" DROP CONSTRAINT "site_pkey";
--> statement-breakpoint
ALTER TABLE "follow_up" ADD CONSTRAINT "follow_up_district_id_id_pk" PRIMARY KEY("district_id","id");
ALTER TABLE "ledger_entry" ADD CONSTRAINT "ledger_entry_district_id_id_pk" PRIMARY KEY("district_id","id");
ALTER TABLE "plan" ADD CONSTRAINT "plan_district_id_id_pk" PRIMARY KEY("district_id","id");
ALTER TABLE "amendment" ADD CONSTRAINT "amendment_district_id_id_pk" PRIMARY KEY("district_id","id");
ALTER TABLE "invitation" ADD CONSTRAINT "invitation_district_id_id_pk" PRIMARY KEY("district_id","id");
ALTER TABLE "label" ADD CONSTRAINT "label_district_id_id_pk" PRIMARY KEY("district_id","id");
ALTER TABLE "list_entry" ADD CONSTRAINT "list_entry_district_id_id_pk" PRIMARY KEY("district_id","id");
ALTER TABLE "mail" ADD CONSTRAINT "mail_district_id_id_pk" PRIMARY KEY("district_id","id");
ALTER TABLE "finding" ADD CONSTRAINT "finding_district_id_id_pk" PRIMARY KEY("district_id","id");
ALTER TABLE "finding_event" ADD CONSTRAINT "finding_event_district_id_id_pk" PRIMARY KEY("district_id","id");
ALTER TABLE "picture" ADD CONSTRAINT "picture_district_id_id_pk" PRIMARY KEY("district_id","id");
ALTER TABLE "picture_marks" ADD CONSTRAINT "picture_marks_district_id_id_pk" PRIMARY KEY("district_id","id");
ALTER TABLE "feature" ADD CONSTRAINT "feature_district_id_id_pk" PRIMARY KEY("district_id","id");
ALTER TABLE "patch" ADD CONSTRAINT "patch_district_id_id_pk" PRIMARY KEY("district_id","id");
ALTER TABLE "site" ADD CONSTRAINT "site_district_id_id_pk" PRIMARY KEY("district_id","id");
--> statement-breakpoint
ALTER TABLE "follow_up" ADD COLUMN "done_by_id" text;
ALTER TABLE "follow_up" ADD COLUMN "done_by_roles" text[];
ALTER TABLE "ledger_entry" ADD COLUMN "format" integer DEFAULT 1 NOT NULL;
ALTER TABLE "ledger_entry" ADD COLUMN "kind" text DEFAULT 'treatment' NOT NULL;
ALTER TABLE "ledger_entry" ADD COLUMN "plant_id" text;
ALTER TABLE "ledger_entry" ADD COLUMN "entered_by_id" text;
ALTER TABLE "ledger_entry" ADD COLUMN "entered_by_roles" text[];
ALTER TABLE "plan" ADD COLUMN "plant_id" text;
ALTER TABLE "plan" ADD COLUMN "made_by_id" text;
ALTER TABLE "plan" ADD COLUMN "made_by_roles" text[];
ALTER TABLE "amendment" ADD COLUMN "plant_id" text;
ALTER TABLE "amendment" ADD COLUMN "made_by_id" text;
ALTER TABLE "amendment" ADD COLUMN "made_by_roles" text[];
ALTER TABLE "amendment" ADD COLUMN "reverted_by_id" text;
ALTER TABLE "amendment" ADD COLUMN "reverted_by_roles" text[];
ALTER TABLE "district" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;
ALTER TABLE "invitation" ADD COLUMN "invited_by_id" text;
ALTER TABLE "invitation" ADD COLUMN "invited_by_roles" text[];
ALTER TABLE "invitation" ADD COLUMN "revoked_at" timestamp with time zone;
ALTER TABLE "label" ADD COLUMN "entered_by_id" text;
ALTER TABLE "label" ADD COLUMN "entered_by_roles" text[];
ALTER TABLE "list_entry" ADD COLUMN "plant_id" text;
ALTER TABLE "list_entry" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;
ALTER TABLE "list_entry" ADD COLUMN "changed_by_id" text;
ALTER TABLE "list_entry" ADD COLUMN "changed_by_roles" text[];
ALTER TABLE "membership" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;
ALTER TABLE "membership" ADD COLUMN "ended_at" timestamp with time zone;
ALTER TABLE "membership" ADD COLUMN "ended_by" text;
ALTER TABLE "membership" ADD COLUMN "ended_by_id" text;
ALTER TABLE "membership" ADD COLUMN "ended_by_roles" text[];
ALTER TABLE "finding" ADD COLUMN "plant_id" text;
ALTER TABLE "finding" ADD COLUMN "entered_later" boolean DEFAULT false NOT NULL;
ALTER TABLE "finding" ADD COLUMN "made_by_id" text;
ALTER TABLE "finding" ADD COLUMN "made_by_roles" text[];
ALTER TABLE "finding_event" ADD COLUMN "by_id" text;
ALTER TABLE "finding_event" ADD COLUMN "by_roles" text[];
ALTER TABLE "picture" ADD COLUMN "by_id" text;
ALTER TABLE "picture" ADD COLUMN "by_roles" text[];
ALTER TABLE "picture_marks" ADD COLUMN "by_id" text;
ALTER TABLE "picture_marks" ADD COLUMN "by_roles" text[];
ALTER TABLE "patch" ADD COLUMN "plant_id" text;
ALTER TABLE "patch" ADD COLUMN "made_by_id" text;
ALTER TABLE "patch" ADD COLUMN "made_by_roles" text[];
--> statement-breakpoint
-- Plants by id: the id of a plant is its first name in the flora, lower case with hyphens, and is frozen from now on.
CREATE FUNCTION pg_temp.first_plant_id(name text) RETURNS text LANGUAGE sql IMMUTABLE AS $$
  SELECT regexp_replace(replace(regexp_replace(lower(name), '×\s*', 'x-', 'g'), '.', ''), '[^a-z-]+', '-', 'g') $$;
ALTER TABLE ledger_entry DISABLE TRIGGER ledger_append_only;
ALTER TABLE finding_event DISABLE TRIGGER finding_event_append_only;
UPDATE plan SET plant_id = pg_temp.first_plant_id(taxon);
UPDATE patch SET plant_id = pg_temp.first_plant_id(taxon);
UPDATE list_entry SET plant_id = pg_temp.first_plant_id(taxon);
UPDATE amendment SET plant_id = pg_temp.first_plant_id(taxon);
UPDATE finding SET plant_id = pg_temp.first_plant_id(taxon) WHERE taxon IS NOT NULL;
ALTER TABLE plan ALTER COLUMN plant_id SET NOT NULL;
ALTER TABLE patch ALTER COLUMN plant_id SET NOT NULL;
ALTER TABLE list_entry ALTER COLUMN plant_id SET NOT NULL;
ALTER TABLE amendment ALTER COLUMN plant_id SET NOT NULL;
-- Two people at once could write one line of the list twice: the later one holds, as it did.
DELETE FROM list_entry older USING list_entry newer
  WHERE older.district_id = newer.district_id AND older.plant_id = newer.plant_id AND older.site_id IS NOT DISTINCT FROM newer.site_id
    AND (older.changed_at, older.id) < (newer.changed_at, newer.id);

--> statement-breakpoint
-- People by id: an old row gets the id only where its name names exactly one member.
DO $$
DECLARE signed text[]; pairs text[][] := ARRAY[['plan','made_by'],['amendment','made_by'],['amendment','reverted_by'],['invitation','invited_by'],['label','entered_by'],['list_entry','changed_by'],['finding','made_by'],['finding_event','by'],['picture','by'],['picture_marks','by'],['patch','made_by'],['follow_up','done_by']];
BEGIN
  FOREACH signed SLICE 1 IN ARRAY pairs LOOP
    EXECUTE format('UPDATE %1$I t SET %3$I = m.person_id FROM (SELECT district_id, name, min(person_id) AS person_id FROM membership GROUP BY district_id, name HAVING count(*) = 1) m WHERE m.district_id = t.district_id AND m.name = t.%2$I', signed[1], signed[2], signed[2] || '_id');
  END LOOP;
END $$;
ALTER TABLE ledger_entry ENABLE TRIGGER ledger_append_only;
ALTER TABLE finding_event ENABLE TRIGGER finding_event_append_only;
INSERT INTO counter (district_id, kind, last) SELECT district_id, 'finding', max(number) FROM finding GROUP BY district_id;
INSERT INTO ledger_anchor (district_id, seq, hash) SELECT DISTINCT ON (district_id) district_id, seq, hash FROM ledger_entry ORDER BY district_id, seq DESC;
DROP TABLE auth.rate_limit;
-- Codes and texts of letters with a secret in them are not kept in clear.
UPDATE mail SET body = '' WHERE sent_at IS NOT NULL;

--> statement-breakpoint
CREATE UNIQUE INDEX "ledger_superseded_once" ON "ledger_entry" USING btree ("district_id","supersedes");
CREATE UNIQUE INDEX "finding_number" ON "finding" USING btree ("district_id","number");
ALTER TABLE "list_entry" ADD CONSTRAINT "list_entry_place" UNIQUE NULLS NOT DISTINCT("district_id","plant_id","site_id");
ALTER TABLE "finding" ADD CONSTRAINT "finding_at_patch" UNIQUE("district_id","patch_id","id");
ALTER TABLE "patch" ADD CONSTRAINT "patch_at_site" UNIQUE("district_id","site_id","id");
--> statement-breakpoint
ALTER TABLE "auth"."known_device" ADD CONSTRAINT "known_device_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "auth"."user"("id") ON DELETE cascade ON UPDATE no action;
ALTER TABLE "auth"."second_factor" ADD CONSTRAINT "second_factor_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "auth"."user"("id") ON DELETE cascade ON UPDATE no action;
ALTER TABLE "auth"."secret_link" ADD CONSTRAINT "secret_link_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "auth"."user"("id") ON DELETE cascade ON UPDATE no action;
CREATE INDEX "change_row" ON "change" USING btree ("district_id","what","row_id");
CREATE INDEX "job_open" ON "job" USING btree ("state","not_before");
CREATE INDEX "job_kind" ON "job" USING btree ("district_id","kind","created_at");
--> statement-breakpoint
ALTER TABLE "follow_up" ADD CONSTRAINT "follow_up_patch_fk" FOREIGN KEY ("district_id","patch_id") REFERENCES "public"."patch"("district_id","id") NOT VALID;
ALTER TABLE "follow_up" ADD CONSTRAINT "follow_up_ledger_fk" FOREIGN KEY ("district_id","ledger_id") REFERENCES "public"."ledger_entry"("district_id","id") NOT VALID;
ALTER TABLE "ledger_entry" ADD CONSTRAINT "ledger_patch_fk" FOREIGN KEY ("district_id","patch_id") REFERENCES "public"."patch"("district_id","id") NOT VALID;
ALTER TABLE "ledger_entry" ADD CONSTRAINT "ledger_plan_fk" FOREIGN KEY ("district_id","plan_id") REFERENCES "public"."plan"("district_id","id") NOT VALID;
ALTER TABLE "plan" ADD CONSTRAINT "plan_patch_fk" FOREIGN KEY ("district_id","patch_id") REFERENCES "public"."patch"("district_id","id") NOT VALID;
ALTER TABLE "plan" ADD CONSTRAINT "plan_finding_fk" FOREIGN KEY ("district_id","patch_id","finding_id") REFERENCES "public"."finding"("district_id","patch_id","id") NOT VALID;
ALTER TABLE "list_entry" ADD CONSTRAINT "list_entry_site_fk" FOREIGN KEY ("district_id","site_id") REFERENCES "public"."site"("district_id","id") NOT VALID;
ALTER TABLE "finding" ADD CONSTRAINT "finding_site_fk" FOREIGN KEY ("district_id","site_id") REFERENCES "public"."site"("district_id","id") NOT VALID;
ALTER TABLE "finding" ADD CONSTRAINT "finding_patch_fk" FOREIGN KEY ("district_id","site_id","patch_id") REFERENCES "public"."patch"("district_id","site_id","id") NOT VALID;
ALTER TABLE "finding_event" ADD CONSTRAINT "finding_event_finding_fk" FOREIGN KEY ("district_id","finding_id") REFERENCES "public"."finding"("district_id","id") NOT VALID;
ALTER TABLE "picture" ADD CONSTRAINT "picture_finding_fk" FOREIGN KEY ("district_id","finding_id") REFERENCES "public"."finding"("district_id","id") NOT VALID;
ALTER TABLE "picture_marks" ADD CONSTRAINT "picture_marks_picture_fk" FOREIGN KEY ("district_id","picture_id") REFERENCES "public"."picture"("district_id","id") NOT VALID;
ALTER TABLE "patch" ADD CONSTRAINT "patch_site_fk" FOREIGN KEY ("district_id","site_id") REFERENCES "public"."site"("district_id","id") NOT VALID;
