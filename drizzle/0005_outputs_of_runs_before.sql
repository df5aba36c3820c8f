-- The oldest household is what a browser without a cookie came to until now; from here on it is said.
UPDATE "household" SET "is_default" = true WHERE "id" = (SELECT "id" FROM "household" ORDER BY "created_at", "id" LIMIT 1);
--> statement-breakpoint
-- A run's code and entry become those of its first output.
INSERT INTO "run_output" ("run_id", "household_id", "n", "code", "batch_id")
SELECT "id", "household_id", 1, "code", "batch_id" FROM "run";
--> statement-breakpoint
-- Taps of before stand as one device whose running numbers are its times: their order was that of their times.
UPDATE "run_event" SET "corrected_at" = "at", "n" = floor(extract(epoch from "at") * 1000)::bigint;
--> statement-breakpoint
-- What closing a run booked is that run's.
UPDATE "movement" m SET "run_id" = r."id" FROM "run" r
WHERE r."closing_group_id" = m."group_id" AND r."household_id" = m."household_id";
--> statement-breakpoint
-- A lot that a run made belongs to the tap that packed it: like to like, in their order.
WITH made AS (
	SELECT l."id", m."run_id", l."pack_g", l."container_id", l."place_id", m."packs",
		row_number() OVER (PARTITION BY m."run_id", l."pack_g", l."container_id", l."place_id", m."packs" ORDER BY l."created_at", l."id") AS nth
	FROM "lot" l JOIN "movement" m ON m."lot_id" = l."id" AND m."kind" = 'put' AND m."run_id" IS NOT NULL AND m."reverses_id" IS NULL
), taps AS (
	SELECT e."id", e."run_id", (e."event"->>'pack_g')::integer AS pack_g, (e."event"->>'containerId')::uuid AS container_id,
		(e."event"->>'placeId')::uuid AS place_id, (e."event"->>'packs')::integer AS packs,
		row_number() OVER (PARTITION BY e."run_id", e."event"->>'pack_g', e."event"->>'containerId', e."event"->>'placeId', e."event"->>'packs' ORDER BY e."at", e."id") AS nth
	FROM "run_event" e
	WHERE e."event"->>'type' = 'pack'
		AND NOT EXISTS (SELECT 1 FROM "run_event" u WHERE u."run_id" = e."run_id" AND u."event"->>'type' = 'undo' AND u."event"->>'target' = e."id"::text)
)
UPDATE "lot" SET "pack_event_id" = taps."id" FROM made JOIN taps
	ON taps."run_id" = made."run_id" AND taps.pack_g = made."pack_g" AND taps.container_id IS NOT DISTINCT FROM made."container_id"
	AND taps.place_id = made."place_id" AND taps.packs = made."packs" AND taps.nth = made.nth
WHERE "lot"."id" = made."id";
