import { createHash, randomBytes, randomInt, scryptSync, timingSafeEqual } from 'node:crypto';
import { eq, lt, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { transact, type Database } from '../db/client';
import { installation, pairedDevice } from '../db/schema';

export type Installation = typeof installation.$inferSelect;

const hashOf = (pin: string, salt: string) => `${salt}:${scryptSync(pin, salt, 32).toString('base64url')}`;
const tokenHash = (token: string) => createHash('sha256').update(token).digest('base64url');

/** So many wrong tries, then nothing is heard for a while: a PIN of six digits holds for years. */
const mostTries = 8;
const pause_ms = 15 * 60_000;
/** A device that has not been here for so long is forgotten. */
const forget_ms = 400 * 86_400_000;

/** The one row of this copy, made at its first start. */
export async function theInstallation(db: Database, now: Date): Promise<Installation> {
	await db
		.insert(installation)
		.values({ id: 1, cookieSecret: randomBytes(32).toString('base64url'), createdAt: now })
		.onConflictDoNothing();
	const [row] = await db.select().from(installation);
	if (!row) throw new Error('There is no installation row.');
	return row;
}

/** Makes a PIN where there is none, or a new one: then every device is asked again. @returns the PIN, where one was made */
export async function makePin(db: Database, anew: boolean): Promise<string | undefined> {
	const pin = String(randomInt(0, 1_000_000)).padStart(6, '0');
	return transact(db, async (tx) => {
		const [row] = await tx.select().from(installation).for('update');
		if (!row || (row.pinHash !== null && !anew)) return undefined;
		await tx
			.update(installation)
			.set({ pinHash: hashOf(pin, randomBytes(16).toString('base64url')), pinFailures: 0, pinBlockedUntil: null });
		await tx.delete(pairedDevice);
		return pin;
	});
}

export type Paired = { is: 'paired'; token: string } | { is: 'wrong' } | { is: 'blocked'; until: Date };

/** Pairs a device that knows the PIN. Tries are counted in the database, one at a time. */
export async function pair(db: Database, pin: string, name: string, now: Date): Promise<Paired> {
	return transact(db, async (tx) => {
		const [row] = await tx.select().from(installation).for('update');
		if (!row?.pinHash) return { is: 'wrong' };
		if (row.pinBlockedUntil && row.pinBlockedUntil > now) return { is: 'blocked', until: row.pinBlockedUntil };
		const right = Buffer.from(row.pinHash);
		const given = Buffer.from(hashOf(pin.replace(/\D/g, ''), row.pinHash.split(':')[0] ?? ''));
		if (given.length !== right.length || !timingSafeEqual(given, right)) {
			const failures = row.pinFailures + 1;
			const until = failures >= mostTries ? new Date(now.getTime() + pause_ms) : null;
			await tx.update(installation).set({ pinFailures: until ? 0 : failures, pinBlockedUntil: until });
			return until ? { is: 'blocked', until } : { is: 'wrong' };
		}
		await tx.update(installation).set({ pinFailures: 0, pinBlockedUntil: null });
		const token = randomBytes(32).toString('base64url');
		await tx
			.insert(pairedDevice)
			.values({ id: uuidv7(), tokenHash: tokenHash(token), name, pairedAt: now, lastSeenAt: now });
		await tx.delete(pairedDevice).where(lt(pairedDevice.lastSeenAt, new Date(now.getTime() - forget_ms)));
		return { is: 'paired', token };
	});
}

/** Whether a token is that of a paired device. */
export async function isPaired(db: Database, token: string | undefined, now: Date): Promise<boolean> {
	if (!token) return false;
	const [row] = await db
		.select({ id: pairedDevice.id, lastSeenAt: pairedDevice.lastSeenAt })
		.from(pairedDevice)
		.where(eq(pairedDevice.tokenHash, tokenHash(token)));
	if (!row) return false;
	if (now.getTime() - row.lastSeenAt.getTime() > 86_400_000)
		await db
			.update(pairedDevice)
			.set({ lastSeenAt: sql`greatest(${pairedDevice.lastSeenAt}, ${now.toISOString()}::timestamptz)` })
			.where(eq(pairedDevice.id, row.id));
	return true;
}
