CREATE TABLE "power_cut" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"from" timestamp with time zone NOT NULL,
	"until" timestamp with time zone,
	"found" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"closed_at" timestamp with time zone,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "power_cut_order" CHECK ("power_cut"."until" is null or "power_cut"."until" >= "power_cut"."from")
);
--> statement-breakpoint
ALTER TABLE "power_cut" ADD CONSTRAINT "power_cut_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "power_cut_open" ON "power_cut" USING btree ("household_id") WHERE "power_cut"."closed_at" is null;