CREATE TABLE "food_day" (
	"household_id" uuid NOT NULL,
	"food" text NOT NULL,
	"day" date NOT NULL,
	"packs" double precision NOT NULL,
	"loose_g" double precision NOT NULL,
	"found_packs" double precision NOT NULL,
	"found_g" double precision NOT NULL,
	"grams" double precision NOT NULL,
	CONSTRAINT "food_day_household_id_food_day_pk" PRIMARY KEY("household_id","food","day")
);
--> statement-breakpoint
ALTER TABLE "food_day" ADD CONSTRAINT "food_day_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE VIEW "food_day_of" AS
SELECT m.id, m.household_id, l.food, (m.occurred_at AT TIME ZONE 'UTC')::date AS day,
	CASE WHEN m.kind IN ('take', 'use') AND l.unit = 'pack' THEN -m.amount ELSE 0 END::float8 AS packs,
	CASE WHEN m.kind IN ('take', 'use') AND l.unit <> 'pack' THEN -m.amount * l.unit_g ELSE 0 END::float8 AS loose_g,
	CASE WHEN m.kind = 'count' AND l.unit = 'pack' THEN -m.amount ELSE 0 END::float8 AS found_packs,
	CASE WHEN m.kind = 'count' AND l.unit <> 'pack' THEN -m.amount * l.unit_g ELSE 0 END::float8 AS found_g,
	(m.amount * l.unit_g)::float8 AS grams
FROM movement m JOIN lot l ON l.id = m.lot_id
WHERE NOT l.waiting AND m.reverses_id IS NULL;
--> statement-breakpoint
INSERT INTO food_day (household_id, food, day, packs, loose_g, found_packs, found_g, grams)
SELECT household_id, food, day, sum(packs), sum(loose_g), sum(found_packs), sum(found_g), sum(grams)
FROM food_day_of d
WHERE NOT EXISTS (SELECT 1 FROM movement r WHERE r.reverses_id = d.id)
GROUP BY 1, 2, 3;
--> statement-breakpoint
CREATE FUNCTION add_food_day() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
	INSERT INTO food_day AS d (household_id, food, day, packs, loose_g, found_packs, found_g, grams)
	SELECT household_id, food, day, sum(packs), sum(loose_g), sum(found_packs), sum(found_g), sum(grams)
	FROM (
		SELECT o.household_id, o.food, o.day, o.packs, o.loose_g, o.found_packs, o.found_g, o.grams
		FROM fresh f JOIN food_day_of o ON o.id = f.id
		UNION ALL
		SELECT o.household_id, o.food, o.day, -o.packs, -o.loose_g, -o.found_packs, -o.found_g, -o.grams
		FROM fresh f JOIN food_day_of o ON o.id = f.reverses_id
	) c
	GROUP BY 1, 2, 3
	ORDER BY 1, 2, 3
	ON CONFLICT (household_id, food, day) DO UPDATE SET
		packs = d.packs + excluded.packs, loose_g = d.loose_g + excluded.loose_g,
		found_packs = d.found_packs + excluded.found_packs, found_g = d.found_g + excluded.found_g, grams = d.grams + excluded.grams;
	RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER movement_food_day AFTER INSERT ON movement REFERENCING NEW TABLE AS fresh FOR EACH STATEMENT EXECUTE FUNCTION add_food_day();
