CREATE TABLE "gathering" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"food" text NOT NULL,
	"target_g" integer NOT NULL,
	"words" text NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"ended_at" timestamp with time zone,
	CONSTRAINT "gathering_target" CHECK ("gathering"."target_g" > 0)
);
--> statement-breakpoint
ALTER TABLE "gathering" ADD CONSTRAINT "gathering_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "gathering_open" ON "gathering" USING btree ("household_id") WHERE "gathering"."ended_at" is null;