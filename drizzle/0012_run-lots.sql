CREATE TABLE "run_lot" (
	"run_id" uuid NOT NULL,
	"household_id" uuid NOT NULL,
	"lot_id" uuid NOT NULL,
	"amount" bigint NOT NULL,
	CONSTRAINT "run_lot_run_id_lot_id_pk" PRIMARY KEY("run_id","lot_id"),
	CONSTRAINT "run_lot_amount" CHECK ("run_lot"."amount" > 0)
);
--> statement-breakpoint
ALTER TABLE "run" DROP CONSTRAINT "run_lot";
--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "again" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "change" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "run_lot" ADD CONSTRAINT "run_lot_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_lot" ADD CONSTRAINT "run_lot_run" FOREIGN KEY ("household_id","run_id") REFERENCES "public"."run"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_lot" ADD CONSTRAINT "run_lot_lot" FOREIGN KEY ("household_id","lot_id") REFERENCES "public"."lot"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "run_by_lot" ON "run_lot" USING btree ("household_id","lot_id");--> statement-breakpoint
INSERT INTO "run_lot" ("run_id", "household_id", "lot_id", "amount")
	SELECT "id", "household_id", "lot_id", greatest(1, round(("plan"->>'raw_g')::numeric * 10)) FROM "run";--> statement-breakpoint
ALTER TABLE "run" DROP COLUMN "lot_id";