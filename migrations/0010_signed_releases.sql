CREATE TABLE "enrolments" (
	"digest" text PRIMARY KEY NOT NULL,
	"seat" text NOT NULL,
	"root" integer NOT NULL,
	"expires_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "metadata" (
	"role" text NOT NULL,
	"version" integer NOT NULL,
	"body" text NOT NULL,
	CONSTRAINT "metadata_role_version_pk" PRIMARY KEY("role","version")
);
--> statement-breakpoint
CREATE TABLE "own_files" (
	"seat" text PRIMARY KEY NOT NULL,
	"version" integer NOT NULL,
	"of" text NOT NULL,
	"metadata" text NOT NULL,
	"file" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rollouts" (
	"application" text PRIMARY KEY NOT NULL,
	"rings" jsonb NOT NULL,
	"course" jsonb
);
--> statement-breakpoint
CREATE TABLE "settings" (
	"name" text PRIMARY KEY NOT NULL,
	"value" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "signed_files" (
	"sha256" text PRIMARY KEY NOT NULL,
	"path" text NOT NULL,
	"body" text NOT NULL,
	"id" serial NOT NULL
);
--> statement-breakpoint
CREATE TABLE "signing_keys" (
	"role" text PRIMARY KEY NOT NULL,
	"id" text NOT NULL,
	"pem" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "releases" ADD COLUMN "strata" jsonb DEFAULT '["office"]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "seats" ADD COLUMN "ring" text;--> statement-breakpoint
ALTER TABLE "seats" ADD COLUMN "key" text;--> statement-breakpoint
ALTER TABLE "seats" ADD COLUMN "person" text;--> statement-breakpoint
ALTER TABLE "seats" ADD COLUMN "setup" text;--> statement-breakpoint
ALTER TABLE "enrolments" ADD CONSTRAINT "enrolments_seat_seats_id_fk" FOREIGN KEY ("seat") REFERENCES "public"."seats"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "own_files" ADD CONSTRAINT "own_files_seat_seats_id_fk" FOREIGN KEY ("seat") REFERENCES "public"."seats"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rollouts" ADD CONSTRAINT "rollouts_application_applications_id_fk" FOREIGN KEY ("application") REFERENCES "public"."applications"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
INSERT INTO "rollouts" ("application", "rings", "course")
SELECT "id", '[{"id":"everyone","name":"Everyone","soak":0,"limit":0}]'::jsonb,
	CASE WHEN "channel" IS NULL THEN NULL ELSE jsonb_build_object('release', "channel", 'follows', jsonb_build_object('everyone', "channel"),
		'reached', 0, 'since', '2026-11-28T00:00:00.000Z', 'state', 'done') END
FROM "applications";
