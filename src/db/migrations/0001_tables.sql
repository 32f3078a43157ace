CREATE SCHEMA "auth";
--> statement-breakpoint
CREATE TABLE "auth"."account" (
	"id" text PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"provider_id" text NOT NULL,
	"user_id" text NOT NULL,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp with time zone,
	"refresh_token_expires_at" timestamp with time zone,
	"scope" text,
	"password" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "auth"."rate_limit" (
	"id" text PRIMARY KEY NOT NULL,
	"key" text NOT NULL,
	"count" integer NOT NULL,
	"last_request" bigint NOT NULL,
	CONSTRAINT "rate_limit_key_unique" UNIQUE("key")
);
--> statement-breakpoint
CREATE TABLE "auth"."session" (
	"id" text PRIMARY KEY NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"token" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"user_id" text NOT NULL,
	CONSTRAINT "session_token_unique" UNIQUE("token")
);
--> statement-breakpoint
CREATE TABLE "auth"."user" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "user_email_unique" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "auth"."verification" (
	"id" text PRIMARY KEY NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "follow_up" (
	"district_id" uuid NOT NULL,
	"id" uuid PRIMARY KEY NOT NULL,
	"patch_id" uuid NOT NULL,
	"ledger_id" uuid,
	"due_on" date NOT NULL,
	"what" text NOT NULL,
	"done_on" date,
	"result" jsonb,
	"done_by" text,
	"sample" boolean DEFAULT false NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "ledger_entry" (
	"district_id" uuid NOT NULL,
	"seq" integer NOT NULL,
	"id" uuid PRIMARY KEY NOT NULL,
	"patch_id" uuid NOT NULL,
	"plan_id" uuid,
	"supersedes" uuid,
	"body" jsonb NOT NULL,
	"entered_by" text NOT NULL,
	"entered_at" text NOT NULL,
	"previous_hash" text NOT NULL,
	"hash" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "plan" (
	"district_id" uuid NOT NULL,
	"id" uuid PRIMARY KEY NOT NULL,
	"patch_id" uuid NOT NULL,
	"finding_id" uuid NOT NULL,
	"method" text NOT NULL,
	"taxon" text NOT NULL,
	"window_from" date NOT NULL,
	"window_to" date NOT NULL,
	"intended_on" date NOT NULL,
	"person_id" text NOT NULL,
	"followed_by" text NOT NULL,
	"overruling" text,
	"state" text DEFAULT 'planned' NOT NULL,
	"made_by" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "demonstration" (
	"district_id" uuid PRIMARY KEY NOT NULL,
	"made_for" date NOT NULL,
	"sample" boolean DEFAULT true NOT NULL
);
--> statement-breakpoint
CREATE TABLE "district" (
	"district_id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"zone" text NOT NULL,
	"hemisphere" text DEFAULT 'north' NOT NULL,
	"costs" jsonb NOT NULL,
	"list_version" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "invitation" (
	"district_id" uuid NOT NULL,
	"id" uuid PRIMARY KEY NOT NULL,
	"token_hash" text NOT NULL,
	"email" text NOT NULL,
	"name" text NOT NULL,
	"roles" text[] NOT NULL,
	"invited_by" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "label" (
	"district_id" uuid NOT NULL,
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"limits" jsonb NOT NULL,
	"entered_by" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "list_entry" (
	"district_id" uuid NOT NULL,
	"id" uuid PRIMARY KEY NOT NULL,
	"taxon" text NOT NULL,
	"site_id" uuid,
	"status" text NOT NULL,
	"action" text,
	"changed_by" text NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "mail" (
	"district_id" uuid NOT NULL,
	"id" uuid PRIMARY KEY NOT NULL,
	"recipient" text NOT NULL,
	"subject" text NOT NULL,
	"body" text NOT NULL,
	"sent_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "membership" (
	"district_id" uuid NOT NULL,
	"person_id" text NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"roles" text[] NOT NULL,
	"licence" text,
	"licence_expires" date,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "membership_district_id_person_id_pk" PRIMARY KEY("district_id","person_id")
);
--> statement-breakpoint
CREATE TABLE "finding" (
	"district_id" uuid NOT NULL,
	"id" uuid PRIMARY KEY NOT NULL,
	"number" integer NOT NULL,
	"site_id" uuid NOT NULL,
	"patch_id" uuid,
	"place" geometry(Geometry,4326) NOT NULL,
	"day" date NOT NULL,
	"stage" text,
	"taxon" text,
	"verdict" text NOT NULL,
	"because" text NOT NULL,
	"report_first" boolean DEFAULT false NOT NULL,
	"overruled" boolean DEFAULT false NOT NULL,
	"settle_from" date,
	"protected" boolean DEFAULT false NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"made_by" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "finding_event" (
	"district_id" uuid NOT NULL,
	"id" uuid PRIMARY KEY NOT NULL,
	"finding_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"body" jsonb NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "picture" (
	"district_id" uuid NOT NULL,
	"id" uuid PRIMARY KEY NOT NULL,
	"finding_id" uuid NOT NULL,
	"content" "bytea" NOT NULL,
	"width_px" integer NOT NULL,
	"height_px" integer NOT NULL,
	"taken_at" timestamp with time zone,
	"longitude" double precision,
	"latitude" double precision,
	"simulated" boolean DEFAULT false NOT NULL,
	"by" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "feature" (
	"district_id" uuid NOT NULL,
	"id" uuid PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"shape" geometry(Geometry,4326) NOT NULL
);
--> statement-breakpoint
CREATE TABLE "patch" (
	"district_id" uuid NOT NULL,
	"id" uuid PRIMARY KEY NOT NULL,
	"site_id" uuid NOT NULL,
	"taxon" text NOT NULL,
	"name" text NOT NULL,
	"outline" geometry(Geometry,4326) NOT NULL,
	"area_m2" double precision NOT NULL,
	"cover_share" double precision,
	"state" text DEFAULT 'open' NOT NULL,
	"protected" boolean DEFAULT false NOT NULL,
	"made_by" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "site" (
	"district_id" uuid NOT NULL,
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"boundary" geometry(Geometry,4326) NOT NULL,
	"zone" text NOT NULL,
	"setting" jsonb NOT NULL,
	"rules" jsonb NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "auth"."account" ADD CONSTRAINT "account_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "auth"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "auth"."session" ADD CONSTRAINT "session_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "auth"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "follow_up" ADD CONSTRAINT "follow_up_patch_id_patch_id_fk" FOREIGN KEY ("patch_id") REFERENCES "public"."patch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ledger_entry" ADD CONSTRAINT "ledger_entry_patch_id_patch_id_fk" FOREIGN KEY ("patch_id") REFERENCES "public"."patch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ledger_entry" ADD CONSTRAINT "ledger_entry_plan_id_plan_id_fk" FOREIGN KEY ("plan_id") REFERENCES "public"."plan"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan" ADD CONSTRAINT "plan_patch_id_patch_id_fk" FOREIGN KEY ("patch_id") REFERENCES "public"."patch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan" ADD CONSTRAINT "plan_finding_id_finding_id_fk" FOREIGN KEY ("finding_id") REFERENCES "public"."finding"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "finding" ADD CONSTRAINT "finding_site_id_site_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."site"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "finding" ADD CONSTRAINT "finding_patch_id_patch_id_fk" FOREIGN KEY ("patch_id") REFERENCES "public"."patch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "finding_event" ADD CONSTRAINT "finding_event_finding_id_finding_id_fk" FOREIGN KEY ("finding_id") REFERENCES "public"."finding"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "picture" ADD CONSTRAINT "picture_finding_id_finding_id_fk" FOREIGN KEY ("finding_id") REFERENCES "public"."finding"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "patch" ADD CONSTRAINT "patch_site_id_site_id_fk" FOREIGN KEY ("site_id") REFERENCES "public"."site"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "follow_up_due" ON "follow_up" USING btree ("district_id","done_on","due_on");--> statement-breakpoint
CREATE UNIQUE INDEX "ledger_seq" ON "ledger_entry" USING btree ("district_id","seq");--> statement-breakpoint
CREATE INDEX "ledger_patch" ON "ledger_entry" USING btree ("district_id","patch_id");--> statement-breakpoint
CREATE INDEX "plan_district" ON "plan" USING btree ("district_id","state","intended_on");--> statement-breakpoint
CREATE UNIQUE INDEX "invitation_token" ON "invitation" USING btree ("token_hash");--> statement-breakpoint
CREATE INDEX "label_district" ON "label" USING btree ("district_id");--> statement-breakpoint
CREATE UNIQUE INDEX "list_entry_place" ON "list_entry" USING btree ("district_id","taxon","site_id");--> statement-breakpoint
CREATE INDEX "finding_district" ON "finding" USING btree ("district_id","verdict","day");--> statement-breakpoint
CREATE INDEX "finding_site" ON "finding" USING btree ("district_id","site_id");--> statement-breakpoint
CREATE INDEX "finding_place" ON "finding" USING gist ("place");--> statement-breakpoint
CREATE INDEX "finding_event_finding" ON "finding_event" USING btree ("district_id","finding_id","at");--> statement-breakpoint
CREATE INDEX "picture_finding" ON "picture" USING btree ("district_id","finding_id");--> statement-breakpoint
CREATE INDEX "feature_place" ON "feature" USING gist ("shape");--> statement-breakpoint
CREATE INDEX "patch_district" ON "patch" USING btree ("district_id","site_id");--> statement-breakpoint
CREATE INDEX "patch_place" ON "patch" USING gist ("outline");--> statement-breakpoint
CREATE INDEX "site_district" ON "site" USING btree ("district_id");--> statement-breakpoint
CREATE INDEX "site_place" ON "site" USING gist ("boundary");