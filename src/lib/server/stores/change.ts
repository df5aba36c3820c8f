import { causeOf, type Database, type Tx } from '../db/client';
import { AppError } from '../errors';
import { once } from './once';

/** A change of the Kitchen by hand, once for its key. */
export const changer =
	(db: Database, householdId: string, now: Date) =>
	(key: string, what: string, body: unknown, work: (tx: Tx) => Promise<unknown>): Promise<object> =>
		once(db, householdId, { key, action: `kitchen ${what}`, body }, now, async (tx) => {
			await work(tx);
			return {};
		});

/** A unique name that is taken becomes a clear fault. @throws {AppError} 409 NAME_TAKEN */
export async function named<T>(field: string, name: string, work: () => Promise<T>): Promise<T> {
	try {
		return await work();
	} catch (error) {
		if (causeOf(error)?.code === '23505') {
			throw new AppError(409, 'NAME_TAKEN', `"${name}" is there already. Nothing was saved; give it another name.`, [
				{ field, message: 'Taken already.' }
			]);
		}
		throw error;
	}
}
