CREATE TABLE "want" (
	"household_id" uuid NOT NULL,
	"food" text NOT NULL,
	"per_week" double precision NOT NULL,
	"helping_g" double precision NOT NULL,
	CONSTRAINT "want_household_id_food_pk" PRIMARY KEY("household_id","food")
);
--> statement-breakpoint
ALTER TABLE "want" ADD CONSTRAINT "want_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;