CREATE TABLE "installation" (
	"id" integer PRIMARY KEY NOT NULL,
	"cookie_secret" text NOT NULL,
	"pin_hash" text,
	"pin_failures" integer DEFAULT 0 NOT NULL,
	"pin_blocked_until" timestamp with time zone,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "installation_one" CHECK ("installation"."id" = 1)
);
--> statement-breakpoint
CREATE TABLE "paired_device" (
	"id" uuid PRIMARY KEY NOT NULL,
	"token_hash" text NOT NULL,
	"name" text NOT NULL,
	"paired_at" timestamp with time zone NOT NULL,
	"last_seen_at" timestamp with time zone NOT NULL,
	CONSTRAINT "paired_device_token_hash_unique" UNIQUE("token_hash")
);
