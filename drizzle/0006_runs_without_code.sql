ALTER TABLE "run" DROP CONSTRAINT "run_code";--> statement-breakpoint
ALTER TABLE "run_event" ALTER COLUMN "corrected_at" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "run" DROP COLUMN "code";--> statement-breakpoint
ALTER TABLE "run" DROP COLUMN "batch_id";--> statement-breakpoint
ALTER TABLE "run" DROP COLUMN "closing_group_id";