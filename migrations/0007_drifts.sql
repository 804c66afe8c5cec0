CREATE TABLE "drifts" (
	"seat" text PRIMARY KEY NOT NULL,
	"sha256" text NOT NULL,
	"text" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "drifts" ADD CONSTRAINT "drifts_seat_seats_id_fk" FOREIGN KEY ("seat") REFERENCES "public"."seats"("id") ON DELETE no action ON UPDATE no action;