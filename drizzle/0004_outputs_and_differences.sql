CREATE TABLE "difference" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"run_id" uuid NOT NULL,
	"lot_id" uuid NOT NULL,
	"unit" text NOT NULL,
	"amount" bigint NOT NULL,
	"found_at" timestamp with time zone NOT NULL,
	"settled_at" timestamp with time zone,
	"settled_by" text
);
--> statement-breakpoint
CREATE TABLE "run_output" (
	"run_id" uuid NOT NULL,
	"household_id" uuid NOT NULL,
	"n" integer NOT NULL,
	"code" text NOT NULL,
	"batch_id" uuid,
	CONSTRAINT "run_output_run_id_n_pk" PRIMARY KEY("run_id","n"),
	CONSTRAINT "run_output_code" UNIQUE("household_id","code")
);
--> statement-breakpoint
ALTER TABLE "container" DROP CONSTRAINT "container_name";--> statement-breakpoint
ALTER TABLE "place" DROP CONSTRAINT "place_name";--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "is_default" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "container" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "place" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "idempotency" ADD COLUMN "action" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "idempotency" ADD COLUMN "body" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "pack_event_id" uuid;--> statement-breakpoint
ALTER TABLE "movement" ADD COLUMN "run_id" uuid;--> statement-breakpoint
ALTER TABLE "run_event" ADD COLUMN "device" text DEFAULT 'before' NOT NULL;--> statement-breakpoint
ALTER TABLE "run_event" ADD COLUMN "n" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "run_event" ADD COLUMN "corrected_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "difference" ADD CONSTRAINT "difference_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "difference" ADD CONSTRAINT "difference_run" FOREIGN KEY ("household_id","run_id") REFERENCES "public"."run"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "difference" ADD CONSTRAINT "difference_lot" FOREIGN KEY ("household_id","lot_id") REFERENCES "public"."lot"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_output" ADD CONSTRAINT "run_output_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_output" ADD CONSTRAINT "run_output_run" FOREIGN KEY ("household_id","run_id") REFERENCES "public"."run"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "difference_open" ON "difference" USING btree ("run_id","lot_id") WHERE "difference"."settled_at" is null;--> statement-breakpoint
CREATE INDEX "difference_by_household" ON "difference" USING btree ("household_id","settled_at");--> statement-breakpoint
CREATE UNIQUE INDEX "household_default" ON "household" USING btree ("is_default") WHERE "household"."is_default";--> statement-breakpoint
CREATE UNIQUE INDEX "container_name" ON "container" USING btree ("household_id","name") WHERE "container"."removed_at" is null;--> statement-breakpoint
CREATE UNIQUE INDEX "place_name" ON "place" USING btree ("household_id","name") WHERE "place"."removed_at" is null;--> statement-breakpoint
CREATE INDEX "movement_by_run" ON "movement" USING btree ("household_id","run_id") WHERE "movement"."run_id" is not null;--> statement-breakpoint
ALTER TABLE "lot" ADD CONSTRAINT "lot_of_pack" UNIQUE("household_id","pack_event_id");