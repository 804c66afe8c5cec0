-- What a stratum holds is kept by chapter: entries of all keyed chapters in one table, texts in another, edits as changes that name
-- their chapter. What was there is carried over by the step below, which counts and compares; if anything differs, all of this is undone.
ALTER TABLE "entries" RENAME TO "entries_before";--> statement-breakpoint
CREATE TABLE "entries" (
	"application" text NOT NULL,
	"stratum" text NOT NULL,
	"chapter" text NOT NULL,
	"key" text NOT NULL,
	"is_lock" boolean NOT NULL,
	"op" text NOT NULL,
	"value" jsonb NOT NULL,
	"rank" integer NOT NULL,
	CONSTRAINT "entries_application_stratum_chapter_key_is_lock_pk" PRIMARY KEY("application","stratum","chapter","key","is_lock"),
	CONSTRAINT "one_entry_a_rank" UNIQUE("application","stratum","chapter","rank")
);--> statement-breakpoint
CREATE TABLE "texts" (
	"application" text NOT NULL,
	"stratum" text NOT NULL,
	"chapter" text NOT NULL,
	"body" jsonb NOT NULL,
	CONSTRAINT "texts_application_stratum_chapter_pk" PRIMARY KEY("application","stratum","chapter")
);--> statement-breakpoint
ALTER TABLE "texts" ADD CONSTRAINT "texts_application_applications_id_fk" FOREIGN KEY ("application") REFERENCES "public"."applications"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "edits" ADD COLUMN "stratum" text;--> statement-breakpoint
-- step: chapters
--> statement-breakpoint
DROP TABLE "entries_before";--> statement-breakpoint
ALTER TABLE "entries" ADD CONSTRAINT "entries_application_applications_id_fk" FOREIGN KEY ("application") REFERENCES "public"."applications"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "edits" ALTER COLUMN "stratum" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "edits" DROP COLUMN "aliases";--> statement-breakpoint
ALTER TABLE "edits" DROP COLUMN "macros";--> statement-breakpoint
ALTER TABLE "strata" DROP COLUMN "aliases";--> statement-breakpoint
ALTER TABLE "strata" DROP COLUMN "macros";
