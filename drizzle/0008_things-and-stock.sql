CREATE TABLE "equipment" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"spec" jsonb NOT NULL,
	"position" integer NOT NULL,
	"removed_at" timestamp with time zone,
	CONSTRAINT "equipment_of_household" UNIQUE("household_id","id")
);
--> statement-breakpoint
CREATE TABLE "recipe_portion" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"name" text NOT NULL,
	"food" text NOT NULL,
	"form" text NOT NULL,
	"said" text NOT NULL,
	"grams" integer NOT NULL,
	CONSTRAINT "recipe_portion_name" UNIQUE("household_id","name","food")
);
--> statement-breakpoint
CREATE TABLE "look" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"lot_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"finding" text NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"recorded_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "lot_parent" (
	"lot_id" uuid NOT NULL,
	"parent_id" uuid NOT NULL,
	"household_id" uuid NOT NULL,
	"how" text NOT NULL,
	CONSTRAINT "lot_parent_lot_id_parent_id_pk" PRIMARY KEY("lot_id","parent_id")
);
--> statement-breakpoint
CREATE TABLE "person" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"name" text NOT NULL,
	"hands_h" double precision,
	"may" text[] DEFAULT '{}' NOT NULL,
	"removed_at" timestamp with time zone,
	CONSTRAINT "person_of_household" UNIQUE("household_id","id")
);
--> statement-breakpoint
CREATE TABLE "receipt" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"shop" text NOT NULL,
	"bought_on" date NOT NULL,
	"total_minor" integer,
	"currency" text NOT NULL,
	"split" text NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "receipt_of_household" UNIQUE("household_id","id")
);
--> statement-breakpoint
CREATE TABLE "claim" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"lot_id" uuid NOT NULL,
	"amount" bigint NOT NULL,
	"by" text NOT NULL,
	"run_id" uuid,
	"words" text DEFAULT '' NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"ended_at" timestamp with time zone,
	CONSTRAINT "claim_amount" CHECK ("claim"."amount" > 0)
);
--> statement-breakpoint
ALTER TABLE "place" ADD COLUMN "counted_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "pot" ADD COLUMN "diameter_m" double precision;--> statement-breakpoint
ALTER TABLE "pot" ADD COLUMN "height_m" double precision;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "way_id" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "method" text DEFAULT 'freeze' NOT NULL;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "made_by" text DEFAULT 'run' NOT NULL;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "raw_g" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "packed_g" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "packs_made" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "yield_mass" double precision;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "elapsed_s" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "hands_s" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "paid_minor" integer;--> statement-breakpoint
ALTER TABLE "batch" ADD COLUMN "currency" text;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "unit" text DEFAULT 'dg' NOT NULL;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "content" bigint;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "content_unit" text;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "unit_g" double precision DEFAULT 0.1 NOT NULL;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "waiting" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "was" text;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "made_of" jsonb;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "variety" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "origin" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "price_minor" integer;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "currency" text;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "receipt_id" uuid;--> statement-breakpoint
ALTER TABLE "lot" ADD COLUMN "process" text;--> statement-breakpoint
ALTER TABLE "lot_balance" ADD COLUMN "amount" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "movement" ADD COLUMN "amount" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "equipment" ADD CONSTRAINT "equipment_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "recipe_portion" ADD CONSTRAINT "recipe_portion_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "look" ADD CONSTRAINT "look_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "look" ADD CONSTRAINT "look_lot" FOREIGN KEY ("household_id","lot_id") REFERENCES "public"."lot"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_parent" ADD CONSTRAINT "lot_parent_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_parent" ADD CONSTRAINT "parent_lot" FOREIGN KEY ("household_id","lot_id") REFERENCES "public"."lot"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_parent" ADD CONSTRAINT "parent_parent" FOREIGN KEY ("household_id","parent_id") REFERENCES "public"."lot"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "person" ADD CONSTRAINT "person_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "receipt" ADD CONSTRAINT "receipt_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "claim" ADD CONSTRAINT "claim_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "claim" ADD CONSTRAINT "claim_lot" FOREIGN KEY ("household_id","lot_id") REFERENCES "public"."lot"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "claim" ADD CONSTRAINT "claim_run" FOREIGN KEY ("household_id","run_id") REFERENCES "public"."run"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "equipment_name" ON "equipment" USING btree ("household_id","kind","name") WHERE "equipment"."removed_at" is null;--> statement-breakpoint
CREATE INDEX "look_by_lot" ON "look" USING btree ("household_id","lot_id","at");--> statement-breakpoint
CREATE INDEX "lot_children" ON "lot_parent" USING btree ("household_id","parent_id");--> statement-breakpoint
CREATE UNIQUE INDEX "person_name" ON "person" USING btree ("household_id","name") WHERE "person"."removed_at" is null;--> statement-breakpoint
CREATE INDEX "claim_open" ON "claim" USING btree ("household_id","lot_id") WHERE "claim"."ended_at" is null;--> statement-breakpoint
CREATE UNIQUE INDEX "claim_of_run" ON "claim" USING btree ("run_id","lot_id") WHERE "claim"."run_id" is not null;--> statement-breakpoint
ALTER TABLE "lot" ADD CONSTRAINT "lot_receipt" FOREIGN KEY ("household_id","receipt_id") REFERENCES "public"."receipt"("household_id","id") ON DELETE no action ON UPDATE no action;