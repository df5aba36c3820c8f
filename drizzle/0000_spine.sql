CREATE TABLE "household" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"altitude_m" double precision,
	"units" text NOT NULL,
	"zone" text NOT NULL,
	"people" integer NOT NULL,
	"ice_kg" double precision NOT NULL,
	"basins" integer NOT NULL,
	"trays" integer NOT NULL,
	"tray_area_m2" double precision NOT NULL,
	"tap_c" double precision NOT NULL,
	"room_c" double precision NOT NULL,
	"demo_date" text,
	"touched" boolean DEFAULT false NOT NULL,
	"created_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "container" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"volume_ml" integer NOT NULL,
	"count" integer NOT NULL,
	CONSTRAINT "container_of_household" UNIQUE("household_id","id"),
	CONSTRAINT "container_name" UNIQUE("household_id","name")
);
--> statement-breakpoint
CREATE TABLE "own_measure" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"name" text NOT NULL,
	"food" text NOT NULL,
	"grams" integer NOT NULL,
	CONSTRAINT "own_measure_food" UNIQUE("household_id","name","food")
);
--> statement-breakpoint
CREATE TABLE "place" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"temp_c" double precision NOT NULL,
	"litres" double precision,
	"position" integer NOT NULL,
	CONSTRAINT "place_of_household" UNIQUE("household_id","id"),
	CONSTRAINT "place_name" UNIQUE("household_id","name")
);
--> statement-breakpoint
CREATE TABLE "pot" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"name" text NOT NULL,
	"litres" double precision NOT NULL,
	"burner_w" double precision NOT NULL,
	"burner_kind" text NOT NULL,
	"basket_l" double precision,
	CONSTRAINT "pot_of_household" UNIQUE("household_id","id"),
	CONSTRAINT "pot_name" UNIQUE("household_id","name")
);
--> statement-breakpoint
CREATE TABLE "batch" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"code" text NOT NULL,
	"food" text NOT NULL,
	"form" text NOT NULL,
	"cut" text NOT NULL,
	"way" text NOT NULL,
	"title" text NOT NULL,
	"packed_on" date NOT NULL,
	"keeps_until" date NOT NULL,
	"use_words" text NOT NULL,
	"run_id" uuid,
	"closing" jsonb NOT NULL,
	"voided_at" timestamp with time zone,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "batch_of_household" UNIQUE("household_id","id"),
	CONSTRAINT "batch_code" UNIQUE("household_id","code")
);
--> statement-breakpoint
CREATE TABLE "idempotency" (
	"key" uuid NOT NULL,
	"household_id" uuid NOT NULL,
	"answer" jsonb NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "idempotency_once" UNIQUE("household_id","key")
);
--> statement-breakpoint
CREATE TABLE "lot" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"food" text NOT NULL,
	"form" text NOT NULL,
	"place_id" uuid NOT NULL,
	"condition" text NOT NULL,
	"said" text NOT NULL,
	"note" text NOT NULL,
	"title" text NOT NULL,
	"pack_g" integer,
	"container_id" uuid,
	"batch_id" uuid,
	"since" timestamp with time zone NOT NULL,
	"keeps_until" date,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "lot_of_household" UNIQUE("household_id","id"),
	CONSTRAINT "lot_shape" CHECK (("lot"."kind" = 'raw') = ("lot"."pack_g" is null))
);
--> statement-breakpoint
CREATE TABLE "lot_balance" (
	"lot_id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"grams" bigint NOT NULL,
	"packs" integer NOT NULL,
	CONSTRAINT "balance_grams" CHECK ("lot_balance"."grams" >= 0),
	CONSTRAINT "balance_packs" CHECK ("lot_balance"."packs" >= 0)
);
--> statement-breakpoint
CREATE TABLE "movement" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"lot_id" uuid NOT NULL,
	"group_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"grams" bigint NOT NULL,
	"packs" integer NOT NULL,
	"cause" text NOT NULL,
	"by" text NOT NULL,
	"batch_id" uuid,
	"reverses_id" uuid,
	"occurred_at" timestamp with time zone NOT NULL,
	"recorded_at" timestamp with time zone NOT NULL,
	CONSTRAINT "movement_reversed_once" UNIQUE("reverses_id")
);
--> statement-breakpoint
CREATE TABLE "run" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"code" text NOT NULL,
	"lot_id" uuid NOT NULL,
	"plan" jsonb NOT NULL,
	"status" text NOT NULL,
	"batch_id" uuid,
	"closing_group_id" uuid,
	"started_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "run_of_household" UNIQUE("household_id","id"),
	CONSTRAINT "run_code" UNIQUE("household_id","code")
);
--> statement-breakpoint
CREATE TABLE "run_event" (
	"seq" bigserial PRIMARY KEY NOT NULL,
	"id" uuid NOT NULL,
	"household_id" uuid NOT NULL,
	"run_id" uuid NOT NULL,
	"event" jsonb NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"recorded_at" timestamp with time zone NOT NULL,
	CONSTRAINT "run_event_once" UNIQUE("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "container" ADD CONSTRAINT "container_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "own_measure" ADD CONSTRAINT "own_measure_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "place" ADD CONSTRAINT "place_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pot" ADD CONSTRAINT "pot_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "batch" ADD CONSTRAINT "batch_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "idempotency" ADD CONSTRAINT "idempotency_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot" ADD CONSTRAINT "lot_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot" ADD CONSTRAINT "lot_place" FOREIGN KEY ("household_id","place_id") REFERENCES "public"."place"("household_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot" ADD CONSTRAINT "lot_container" FOREIGN KEY ("household_id","container_id") REFERENCES "public"."container"("household_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot" ADD CONSTRAINT "lot_batch" FOREIGN KEY ("household_id","batch_id") REFERENCES "public"."batch"("household_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_balance" ADD CONSTRAINT "lot_balance_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_balance" ADD CONSTRAINT "balance_lot" FOREIGN KEY ("household_id","lot_id") REFERENCES "public"."lot"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "movement" ADD CONSTRAINT "movement_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "movement" ADD CONSTRAINT "movement_reverses_id_movement_id_fk" FOREIGN KEY ("reverses_id") REFERENCES "public"."movement"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "movement" ADD CONSTRAINT "movement_lot" FOREIGN KEY ("household_id","lot_id") REFERENCES "public"."lot"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_lot" FOREIGN KEY ("household_id","lot_id") REFERENCES "public"."lot"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_event" ADD CONSTRAINT "run_event_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_event" ADD CONSTRAINT "run_event_run" FOREIGN KEY ("household_id","run_id") REFERENCES "public"."run"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "batch_by_date" ON "batch" USING btree ("household_id","packed_on");--> statement-breakpoint
CREATE INDEX "lot_by_batch" ON "lot" USING btree ("household_id","batch_id");--> statement-breakpoint
CREATE INDEX "lot_raw" ON "lot" USING btree ("household_id") WHERE "lot"."kind" = 'raw';--> statement-breakpoint
CREATE INDEX "balance_open" ON "lot_balance" USING btree ("household_id") WHERE "lot_balance"."grams" > 0 or "lot_balance"."packs" > 0;--> statement-breakpoint
CREATE INDEX "movement_by_lot" ON "movement" USING btree ("lot_id","recorded_at");--> statement-breakpoint
CREATE INDEX "movement_by_group" ON "movement" USING btree ("household_id","group_id");--> statement-breakpoint
CREATE INDEX "movement_by_time" ON "movement" USING btree ("household_id","recorded_at");--> statement-breakpoint
CREATE INDEX "run_by_status" ON "run" USING btree ("household_id","status");--> statement-breakpoint
CREATE INDEX "run_event_by_run" ON "run_event" USING btree ("run_id","seq");