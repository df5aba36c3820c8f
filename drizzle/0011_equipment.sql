CREATE TABLE "supply" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"size" integer NOT NULL,
	"amount" integer NOT NULL,
	"low" integer,
	"removed_at" timestamp with time zone,
	CONSTRAINT "supply_of_household" UNIQUE("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "container" ADD COLUMN "low" integer;--> statement-breakpoint
ALTER TABLE "place" ADD COLUMN "day_kg" double precision;--> statement-breakpoint
ALTER TABLE "supply" ADD CONSTRAINT "supply_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "supply_name" ON "supply" USING btree ("household_id","name") WHERE "supply"."removed_at" is null;--> statement-breakpoint
INSERT INTO "equipment" ("id", "household_id", "kind", "name", "position", "spec")
SELECT gen_random_uuid(), "id", 'dryer', 'Dryer', 0, jsonb_build_object('trays', "dryer_trays", 'leastTrays', 1, 'trayArea_m2', "dryer_tray_area_m2", 'tare_kg', null, 'power_W', "dryer_power_w", 'heater', "dryer_heater")
FROM "household" WHERE "dryer_trays" > 0;--> statement-breakpoint
INSERT INTO "equipment" ("id", "household_id", "kind", "name", "position", "spec")
SELECT gen_random_uuid(), "id", 'canner', CASE WHEN "gauge" = 'none' THEN 'Boiling-water pot' ELSE 'Canner' END, 0, jsonb_build_object('quarts', "canner_quarts", 'pints', null, 'halfPints', null, 'stacked', false, 'gauge', "gauge", 'dialTested', null)
FROM "household" WHERE "gauge" IS NOT NULL OR "canner_quarts" <> 7;--> statement-breakpoint
ALTER TABLE "household" DROP COLUMN "gauge";--> statement-breakpoint
ALTER TABLE "household" DROP COLUMN "dryer_trays";--> statement-breakpoint
ALTER TABLE "household" DROP COLUMN "dryer_tray_area_m2";--> statement-breakpoint
ALTER TABLE "household" DROP COLUMN "dryer_power_w";--> statement-breakpoint
ALTER TABLE "household" DROP COLUMN "dryer_heater";--> statement-breakpoint
ALTER TABLE "household" DROP COLUMN "canner_quarts";