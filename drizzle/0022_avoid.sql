CREATE TABLE "avoid" (
	"household_id" uuid NOT NULL,
	"food" text NOT NULL,
	"who" text DEFAULT '' NOT NULL,
	CONSTRAINT "avoid_household_id_food_pk" PRIMARY KEY("household_id","food")
);
--> statement-breakpoint
ALTER TABLE "avoid" ADD CONSTRAINT "avoid_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;