ALTER TABLE "lot" ADD COLUMN "food_kind" text;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "state" text DEFAULT 'fresh' NOT NULL;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "wild" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "identified" boolean;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "stays" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "placed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "reader" integer DEFAULT 0 NOT NULL;