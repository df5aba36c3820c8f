CREATE TABLE "machine_price" (
	"equipment_id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"paid_minor" integer NOT NULL,
	"currency" text NOT NULL,
	"bought_on" date NOT NULL
);
--> statement-breakpoint
CREATE TABLE "planting" (
	"household_id" uuid NOT NULL,
	"food" text NOT NULL,
	"year" integer NOT NULL,
	"plants" integer,
	"sow_from" date,
	"sow_to" date,
	"pick_from" date,
	"pick_to" date,
	CONSTRAINT "planting_household_id_food_year_pk" PRIMARY KEY("household_id","food","year")
);
--> statement-breakpoint
CREATE TABLE "shop_price" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"food" text NOT NULL,
	"kept" text NOT NULL,
	"per_kg" double precision NOT NULL,
	"currency" text NOT NULL,
	"shop" text NOT NULL,
	"seen_on" date NOT NULL
);
--> statement-breakpoint
ALTER TABLE "machine_price" ADD CONSTRAINT "machine_price_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "machine_price" ADD CONSTRAINT "machine_price_of" FOREIGN KEY ("household_id","equipment_id") REFERENCES "public"."equipment"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "planting" ADD CONSTRAINT "planting_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shop_price" ADD CONSTRAINT "shop_price_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "shop_price_of" ON "shop_price" USING btree ("household_id","food","seen_on");