CREATE TABLE "print_job" (
	"id" uuid PRIMARY KEY NOT NULL,
	"household_id" uuid NOT NULL,
	"instrument_id" uuid NOT NULL,
	"label" jsonb NOT NULL,
	"count" integer NOT NULL,
	"paper" text NOT NULL,
	"state" text DEFAULT 'waiting' NOT NULL,
	"fault" text DEFAULT '' NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"ended_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "print_job" ADD CONSTRAINT "print_job_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "print_job" ADD CONSTRAINT "print_job_instrument" FOREIGN KEY ("household_id","instrument_id") REFERENCES "public"."instrument"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "print_job_of" ON "print_job" USING btree ("household_id","instrument_id","made_at");