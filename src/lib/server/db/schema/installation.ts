import { check, integer, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';
import { sql } from 'drizzle-orm';

/** What belongs to this copy of the application and to no household: one row. */
export const installation = pgTable(
	'installation',
	{
		id: integer('id').primaryKey(),
		/** Signs the cookies that say which household a browser is in. */
		cookieSecret: text('cookie_secret').notNull(),
		/** scrypt of the kitchen's PIN, with its salt; null until the home network was let in for the first time. */
		pinHash: text('pin_hash'),
		/** Wrong tries since the last right one, and until when no more are heard. */
		pinFailures: integer('pin_failures').notNull().default(0),
		pinBlockedUntil: timestamp('pin_blocked_until', { withTimezone: true }),
		createdAt: timestamp('created_at', { withTimezone: true }).notNull()
	},
	(t) => [check('installation_one', sql`${t.id} = 1`)]
);

/** A device that knew the PIN: its token is asked for from then on. */
export const pairedDevice = pgTable('paired_device', {
	id: uuid('id').primaryKey(),
	/** SHA-256 of the token in its cookie. */
	tokenHash: text('token_hash').notNull().unique(),
	name: text('name').notNull(),
	pairedAt: timestamp('paired_at', { withTimezone: true }).notNull(),
	lastSeenAt: timestamp('last_seen_at', { withTimezone: true }).notNull()
});
