CREATE TABLE "applications" (
	"id" text PRIMARY KEY NOT NULL,
	"body" jsonb NOT NULL,
	"revision" integer DEFAULT 0 NOT NULL,
	"channel" integer,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "commands" (
	"application" text NOT NULL,
	"id" text NOT NULL,
	"position" integer NOT NULL,
	"body" jsonb NOT NULL,
	CONSTRAINT "commands_application_id_pk" PRIMARY KEY("application","id")
);
--> statement-breakpoint
CREATE TABLE "edits" (
	"application" text NOT NULL,
	"revision" integer NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"role" text NOT NULL,
	"label" text NOT NULL,
	"changes" jsonb NOT NULL,
	"undoes" integer,
	"redoes" integer,
	CONSTRAINT "edits_application_revision_pk" PRIMARY KEY("application","revision")
);
--> statement-breakpoint
CREATE TABLE "entries" (
	"application" text NOT NULL,
	"stratum" text NOT NULL,
	"key" text NOT NULL,
	"op" text NOT NULL,
	"command" text NOT NULL,
	"keys" text NOT NULL,
	"scope" jsonb NOT NULL,
	"rank" integer NOT NULL,
	CONSTRAINT "entries_application_stratum_key_pk" PRIMARY KEY("application","stratum","key")
);
--> statement-breakpoint
CREATE TABLE "releases" (
	"application" text NOT NULL,
	"number" integer NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"role" text NOT NULL,
	"notes" text NOT NULL,
	"sha256" text NOT NULL,
	"bytes" integer NOT NULL,
	"entries" integer NOT NULL,
	"file" text NOT NULL,
	CONSTRAINT "releases_application_number_pk" PRIMARY KEY("application","number")
);
--> statement-breakpoint
CREATE TABLE "reports" (
	"id" serial PRIMARY KEY NOT NULL,
	"seat" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"report" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "seats" (
	"id" text PRIMARY KEY NOT NULL,
	"application" text NOT NULL,
	"note" text NOT NULL,
	"last_seen" timestamp with time zone,
	"report" jsonb,
	"restore" boolean DEFAULT false NOT NULL
);
--> statement-breakpoint
CREATE TABLE "strata" (
	"application" text NOT NULL,
	"id" text NOT NULL,
	"position" integer NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	CONSTRAINT "strata_application_id_pk" PRIMARY KEY("application","id")
);
--> statement-breakpoint
ALTER TABLE "commands" ADD CONSTRAINT "commands_application_applications_id_fk" FOREIGN KEY ("application") REFERENCES "public"."applications"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "edits" ADD CONSTRAINT "edits_application_applications_id_fk" FOREIGN KEY ("application") REFERENCES "public"."applications"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "entries" ADD CONSTRAINT "entries_application_applications_id_fk" FOREIGN KEY ("application") REFERENCES "public"."applications"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "releases" ADD CONSTRAINT "releases_application_applications_id_fk" FOREIGN KEY ("application") REFERENCES "public"."applications"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reports" ADD CONSTRAINT "reports_seat_seats_id_fk" FOREIGN KEY ("seat") REFERENCES "public"."seats"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "seats" ADD CONSTRAINT "seats_application_applications_id_fk" FOREIGN KEY ("application") REFERENCES "public"."applications"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "strata" ADD CONSTRAINT "strata_application_applications_id_fk" FOREIGN KEY ("application") REFERENCES "public"."applications"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "reports_by_seat" ON "reports" USING btree ("seat","id");