ALTER TABLE "household" ADD COLUMN "room_humidity" double precision DEFAULT 0.5 NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "dryer_trays" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "dryer_tray_area_m2" double precision DEFAULT 0.09 NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "dryer_power_w" double precision DEFAULT 500 NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "dryer_heater" text DEFAULT 'bottom' NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "canner_quarts" integer DEFAULT 7 NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "ice_kg_day" double precision DEFAULT 2 NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "hands_h_day" double precision DEFAULT 3 NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "currency" text DEFAULT 'EUR' NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "energy_price" double precision DEFAULT 30 NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "hour_rate" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "bag_price" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "lid_price" integer DEFAULT 0 NOT NULL;