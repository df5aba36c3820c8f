ALTER TABLE "lot" DROP CONSTRAINT "lot_shape";--> statement-breakpoint
ALTER TABLE "lot_balance" DROP CONSTRAINT "balance_grams";--> statement-breakpoint
ALTER TABLE "lot_balance" DROP CONSTRAINT "balance_packs";--> statement-breakpoint
DROP INDEX "lot_raw";--> statement-breakpoint
DROP INDEX "balance_open";--> statement-breakpoint
ALTER TABLE "lot_balance" ALTER COLUMN "amount" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "movement" ALTER COLUMN "amount" DROP DEFAULT;--> statement-breakpoint
CREATE INDEX "lot_waiting" ON "lot" USING btree ("household_id") WHERE "lot"."waiting";--> statement-breakpoint
CREATE INDEX "balance_open" ON "lot_balance" USING btree ("household_id") WHERE "lot_balance"."amount" > 0;--> statement-breakpoint
ALTER TABLE "lot" DROP COLUMN "kind";--> statement-breakpoint
ALTER TABLE "lot" DROP COLUMN "pack_g";--> statement-breakpoint
ALTER TABLE "lot_balance" DROP COLUMN "grams";--> statement-breakpoint
ALTER TABLE "lot_balance" DROP COLUMN "packs";--> statement-breakpoint
ALTER TABLE "movement" DROP COLUMN "grams";--> statement-breakpoint
ALTER TABLE "movement" DROP COLUMN "packs";--> statement-breakpoint
ALTER TABLE "lot" ADD CONSTRAINT "lot_shape" CHECK (("lot"."unit" = 'pack') = ("lot"."content" is not null and "lot"."content_unit" is not null));--> statement-breakpoint
ALTER TABLE "lot_balance" ADD CONSTRAINT "balance_amount" CHECK ("lot_balance"."amount" >= 0);