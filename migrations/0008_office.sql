CREATE TABLE "credentials" (
	"id" text PRIMARY KEY NOT NULL,
	"person" text NOT NULL,
	"account_id" text NOT NULL,
	"provider_id" text NOT NULL,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp,
	"refresh_token_expires_at" timestamp,
	"scope" text,
	"password" text,
	"created_at" timestamp DEFAULT now() NOT NULL,
	"updated_at" timestamp DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "invitations" (
	"digest" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"role" text NOT NULL,
	"leads" jsonb NOT NULL,
	"by" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "layers" (
	"id" text PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"person" text,
	"position" serial NOT NULL
);
--> statement-breakpoint
CREATE TABLE "people" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"role" text NOT NULL,
	"leads" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"left_at" timestamp with time zone,
	"created_at" timestamp DEFAULT now() NOT NULL,
	"updated_at" timestamp DEFAULT now() NOT NULL,
	CONSTRAINT "people_email_unique" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "sessions" (
	"id" text PRIMARY KEY NOT NULL,
	"person" text NOT NULL,
	"token" text NOT NULL,
	"expires_at" timestamp NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"created_at" timestamp DEFAULT now() NOT NULL,
	"updated_at" timestamp DEFAULT now() NOT NULL,
	CONSTRAINT "sessions_token_unique" UNIQUE("token")
);
--> statement-breakpoint
CREATE TABLE "setups" (
	"id" text PRIMARY KEY NOT NULL,
	"application" text NOT NULL,
	"person" text NOT NULL,
	"name" text NOT NULL,
	"position" serial NOT NULL,
	"is_start" boolean DEFAULT false NOT NULL,
	"is_recommended" boolean DEFAULT false NOT NULL,
	"strata" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "tokens" (
	"digest" text PRIMARY KEY NOT NULL,
	"person" text NOT NULL,
	"name" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "verifications" (
	"id" text PRIMARY KEY NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp NOT NULL,
	"created_at" timestamp DEFAULT now() NOT NULL,
	"updated_at" timestamp DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "edits" ADD COLUMN "by" text DEFAULT 'first' NOT NULL;--> statement-breakpoint
ALTER TABLE "releases" ADD COLUMN "by" text DEFAULT 'first' NOT NULL;--> statement-breakpoint
ALTER TABLE "strata" ADD COLUMN "revision" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "credentials" ADD CONSTRAINT "credentials_person_people_id_fk" FOREIGN KEY ("person") REFERENCES "public"."people"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_person_people_id_fk" FOREIGN KEY ("person") REFERENCES "public"."people"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "setups" ADD CONSTRAINT "setups_application_applications_id_fk" FOREIGN KEY ("application") REFERENCES "public"."applications"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tokens" ADD CONSTRAINT "tokens_person_people_id_fk" FOREIGN KEY ("person") REFERENCES "public"."people"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "setups_by_person" ON "setups" USING btree ("application","person");--> statement-breakpoint
INSERT INTO "layers" ("id", "kind", "name", "person")
	SELECT "id", "kind", "name", CASE WHEN "kind" = 'personal' THEN 'first' END
	FROM (SELECT DISTINCT ON (s."id") s."id", s."kind", s."name", s."position", a."created_at"
		FROM "strata" s JOIN "applications" a ON a."id" = s."application" ORDER BY s."id", a."created_at") AS heads
	ORDER BY "created_at", "position";--> statement-breakpoint
UPDATE "strata" SET "revision" = a."revision" FROM "applications" a WHERE a."id" = "strata"."application";--> statement-breakpoint
ALTER TABLE "strata" ADD CONSTRAINT "strata_id_layers_id_fk" FOREIGN KEY ("id") REFERENCES "public"."layers"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "strata" DROP COLUMN "position";--> statement-breakpoint
ALTER TABLE "strata" DROP COLUMN "kind";--> statement-breakpoint
ALTER TABLE "strata" DROP COLUMN "name";