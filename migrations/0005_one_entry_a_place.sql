-- Entries of one stratum that share a place get places of their own, in the order in which they stood. The log of edits is added to,
-- so that it still comes to what the table says; the factory has no log.
CREATE TEMPORARY TABLE "moved" ON COMMIT DROP AS
SELECT e.*, s."kind", (row_number() OVER (PARTITION BY e."application", e."stratum" ORDER BY e."rank", e."key") - 1)::integer AS "place"
FROM "entries" e
LEFT JOIN "strata" s ON s."application" = e."application" AND s."id" = e."stratum"
WHERE EXISTS (
	SELECT 1 FROM "entries" o
	WHERE o."application" = e."application" AND o."stratum" = e."stratum"
	GROUP BY o."rank" HAVING count(*) > 1
);--> statement-breakpoint
INSERT INTO "edits" ("application", "revision", "at", "role", "label", "changes")
SELECT a."id", a."revision" + 1, now(), 'steward', 'A place of its own for each entry', jsonb_agg(
	jsonb_build_object(
		'stratum', m."stratum",
		'before', jsonb_strip_nulls(jsonb_build_object('op', m."op", 'command', m."command", 'keys', m."keys", 'scope', m."scope", 'rank', m."rank", 'acceptance', m."acceptance")),
		'after', jsonb_strip_nulls(jsonb_build_object('op', m."op", 'command', m."command", 'keys', m."keys", 'scope', m."scope", 'rank', m."place", 'acceptance', m."acceptance"))
	) ORDER BY m."stratum", m."place"
)
FROM "moved" m JOIN "applications" a ON a."id" = m."application"
WHERE m."kind" <> 'factory' AND m."rank" <> m."place"
GROUP BY a."id", a."revision";--> statement-breakpoint
UPDATE "applications" a SET "revision" = e."revision" FROM "edits" e WHERE e."application" = a."id" AND e."revision" = a."revision" + 1;--> statement-breakpoint
UPDATE "entries" e SET "rank" = m."place" FROM "moved" m
WHERE m."application" = e."application" AND m."stratum" = e."stratum" AND m."key" = e."key";--> statement-breakpoint
ALTER TABLE "entries" ADD CONSTRAINT "one_entry_a_place" UNIQUE("application","stratum","rank");