-- What was raw stands in the Basket and is counted in tenths of a gram; what was packed in packs of a content, frozen.
UPDATE "lot" SET "waiting" = true WHERE "kind" = 'raw';
--> statement-breakpoint
UPDATE "lot" SET "unit" = 'pack', "content" = "pack_g"::bigint * 10, "content_unit" = 'dg', "unit_g" = "pack_g", "state" = 'frozen'
WHERE "kind" = 'pack';
--> statement-breakpoint
-- "cut" was a condition once; it is a state.
UPDATE "lot" SET "condition" = 'firm', "state" = CASE WHEN "state" = 'fresh' THEN 'prepared' ELSE "state" END WHERE "condition" = 'cut';
--> statement-breakpoint
-- A lot had grams or packs, never both.
UPDATE "movement" SET "amount" = "grams" * 10 + "packs";
--> statement-breakpoint
UPDATE "lot_balance" SET "amount" = "grams" * 10 + "packs";
--> statement-breakpoint
UPDATE "difference" SET "unit" = 'dg', "amount" = "amount" * 10 WHERE "unit" = 'grams';
--> statement-breakpoint
-- What a run closed with can be asked for, without reading its words.
UPDATE "batch" SET
	"raw_g" = coalesce(round(("closing"->>'raw_g')::numeric), 0)::bigint,
	"packed_g" = coalesce(round(("closing"->>'packed_g')::numeric), 0)::bigint,
	"packs_made" = coalesce(("closing"->>'packs')::integer, 0),
	"yield_mass" = ("closing"->>'yield')::double precision,
	"elapsed_s" = coalesce(round(("closing"->>'elapsed_s')::numeric), 0)::integer,
	"hands_s" = coalesce(round(("closing"->>'hands_s')::numeric), 0)::integer;
--> statement-breakpoint
UPDATE "batch" b SET "way_id" = coalesce(r."plan"->'way'->>'id', '') FROM "run" r WHERE r."id" = b."run_id";
--> statement-breakpoint
-- What open runs have spoken for.
INSERT INTO "claim" ("id", "household_id", "lot_id", "amount", "by", "run_id", "words", "made_at")
SELECT gen_random_uuid(), "household_id", "lot_id", ("plan"->>'raw_g')::numeric::bigint * 10, 'run', "id", '', "started_at"
FROM "run" WHERE "status" = 'open' AND ("plan"->>'raw_g')::numeric > 0;
--> statement-breakpoint
-- What a move made came from what it left.
INSERT INTO "lot_parent" ("lot_id", "parent_id", "household_id", "how")
SELECT DISTINCT t."lot_id", f."lot_id", t."household_id", 'move'
FROM "movement" t JOIN "movement" f ON f."group_id" = t."group_id" AND f."household_id" = t."household_id" AND f."lot_id" <> t."lot_id"
WHERE t."kind" = 'move' AND f."kind" = 'move' AND t."amount" > 0 AND f."amount" < 0 AND t."reverses_id" IS NULL AND f."reverses_id" IS NULL;
