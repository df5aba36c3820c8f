import { createHash } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import { transact, type Database, type Tx } from '../db/client';
import { household, idempotency } from '../db/schema';
import { AppError } from '../errors';

/** One intent: the key of the form, what it asks for, and with what. */
export interface Intent {
	readonly key: string;
	readonly action: string;
	readonly body: unknown;
}

/** A digest of a body that does not hang on the order of its fields. */
function digest(body: unknown): string {
	const sorted = (value: unknown): unknown =>
		Array.isArray(value)
			? value.map(sorted)
			: value !== null && typeof value === 'object' && !(value instanceof Date)
				? Object.fromEntries(
						Object.entries(value)
							.filter(([, v]) => v !== undefined)
							.sort(([a], [b]) => (a < b ? -1 : 1))
							.map(([k, v]) => [k, sorted(v)])
					)
				: value;
	return createHash('sha256')
		.update(JSON.stringify(sorted(body)) ?? '')
		.digest('base64url');
}

const reused = () =>
	new AppError(
		409,
		'KEY_REUSED',
		'This was sent before with something else in it, and that was done then. Nothing was done now: open the page again and look.'
	);

/**
 * Does the work once per key, in one transaction: a second request with the same key waits for the first and gets its
 * answer; with another action or body it is told so. When the work throws, the key is free again and nothing is written.
 *
 * @throws {AppError} 409 KEY_REUSED
 */
export function once<T>(
	db: Database,
	householdId: string,
	intent: Intent,
	now: Date,
	work: (tx: Tx) => Promise<T>
): Promise<T> {
	const { key, action } = intent;
	const body = digest(intent.body);
	return transact(db, async (tx) => {
		const taken = await tx
			.insert(idempotency)
			.values({ householdId, key, action, body, answer: {}, createdAt: now })
			.onConflictDoNothing()
			.returning({ key: idempotency.key });
		if (taken.length === 0) return (await answered(tx, householdId, intent)) as T;
		const answer = await work(tx);
		await tx
			.update(idempotency)
			.set({ answer })
			.where(and(eq(idempotency.householdId, householdId), eq(idempotency.key, key)));
		await tx
			.update(household)
			.set({ touched: true })
			.where(and(eq(household.id, householdId), eq(household.touched, false)));
		return answer;
	});
}

/**
 * What a request was answered when it came before; undefined where it is new.
 *
 * @throws {AppError} 409 KEY_REUSED
 */
export async function answered(db: Database | Tx, householdId: string, intent: Intent): Promise<unknown> {
	const [before] = await db
		.select()
		.from(idempotency)
		.where(and(eq(idempotency.householdId, householdId), eq(idempotency.key, intent.key)));
	if (!before) return undefined;
	// Rows of before do not say what they were for.
	if (before.action !== '' && (before.action !== intent.action || before.body !== digest(intent.body))) throw reused();
	return before.answer;
}
