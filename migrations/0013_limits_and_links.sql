CREATE TABLE "sound_states" (
	"application" text PRIMARY KEY NOT NULL,
	"revision" integer NOT NULL,
	"strata" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "spent" (
	"digest" text PRIMARY KEY NOT NULL,
	"until" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "tries" (
	"name" text PRIMARY KEY NOT NULL,
	"fails" integer NOT NULL,
	"last" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "invitations" ADD COLUMN "member" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "invitations" ADD COLUMN "site" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "invitations" ADD COLUMN "setup" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "invitations" ADD COLUMN "person" text;--> statement-breakpoint
ALTER TABLE "invitations" ADD COLUMN "created_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "member" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "site" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "seats" ADD COLUMN "site" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "setups" ADD COLUMN "audience" jsonb DEFAULT '{"roles":[],"strata":[]}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "tokens" ADD COLUMN "last_used_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "tokens" ADD COLUMN "expires_at" timestamp with time zone DEFAULT now() + interval '90 days' NOT NULL;--> statement-breakpoint
ALTER TABLE "sound_states" ADD CONSTRAINT "sound_states_application_applications_id_fk" FOREIGN KEY ("application") REFERENCES "public"."applications"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invitations" ADD CONSTRAINT "invitations_person_people_id_fk" FOREIGN KEY ("person") REFERENCES "public"."people"("id") ON DELETE cascade ON UPDATE no action;