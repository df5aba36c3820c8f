CREATE TABLE "way_choice" (
	"household_id" uuid NOT NULL,
	"lot_id" uuid NOT NULL,
	"way" text NOT NULL,
	"choices" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"share_g" bigint,
	"position" integer DEFAULT 0 NOT NULL,
	CONSTRAINT "way_choice_household_id_lot_id_way_pk" PRIMARY KEY("household_id","lot_id","way"),
	CONSTRAINT "choice_share" CHECK ("way_choice"."share_g" is null or "way_choice"."share_g" > 0)
);
--> statement-breakpoint
ALTER TABLE "way_choice" ADD CONSTRAINT "way_choice_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "way_choice" ADD CONSTRAINT "choice_lot" FOREIGN KEY ("household_id","lot_id") REFERENCES "public"."lot"("household_id","id") ON DELETE cascade ON UPDATE no action;