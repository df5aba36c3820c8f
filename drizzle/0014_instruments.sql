CREATE TABLE "instrument" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"name" text NOT NULL,
	"quantity" text NOT NULL,
	"watch" text DEFAULT 'nothing' NOT NULL,
	"tare_g" double precision DEFAULT 0 NOT NULL,
	"mistrusted_at" timestamp with time zone,
	"stand_in" boolean DEFAULT false NOT NULL,
	"beyond_since" timestamp with time zone,
	"created_at" timestamp with time zone NOT NULL,
	"removed_at" timestamp with time zone,
	CONSTRAINT "instrument_of_household" UNIQUE("household_id","id")
);
--> statement-breakpoint
CREATE TABLE "reading" (
	"seq" bigserial PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"instrument_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"value" double precision NOT NULL,
	"span_ms" integer DEFAULT 0 NOT NULL,
	"least" double precision,
	"most" double precision,
	"steady" boolean,
	"fault" text DEFAULT '' NOT NULL,
	"battery" double precision,
	CONSTRAINT "reading_once" UNIQUE("instrument_id","span_ms","at")
);
--> statement-breakpoint
ALTER TABLE "instrument" ADD CONSTRAINT "instrument_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_instrument" FOREIGN KEY ("household_id","instrument_id") REFERENCES "public"."instrument"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "instrument_name" ON "instrument" USING btree ("household_id","name") WHERE "instrument"."removed_at" is null;--> statement-breakpoint
CREATE INDEX "reading_recent" ON "reading" USING btree ("household_id","at");