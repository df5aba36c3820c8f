CREATE TABLE "calendar_feed" (
	"household_id" uuid PRIMARY KEY NOT NULL,
	"key" uuid NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "calendar_feed_key_unique" UNIQUE("key")
);
--> statement-breakpoint
ALTER TABLE "calendar_feed" ADD CONSTRAINT "calendar_feed_household_id_household_id_fk" FOREIGN KEY ("household_id") REFERENCES "public"."household"("id") ON DELETE cascade ON UPDATE no action;