import type { Database } from '../db/client';
import { csvOf, type CsvTable } from '../out/csv';
import { readWhole, takeWhole, wholeOf, type Whole } from '../out/whole';
import { once } from './once';

/** The household out of the application and in again, in open formats. */
export function outStore(db: Database, householdId: string, now: Date) {
	return {
		csv: (table: CsvTable): Promise<string> => csvOf(db, householdId, table),
		whole: (): Promise<Whole> => wholeOf(db, householdId, now),
		/** Another household beside this one, from a file. @returns its id @throws {AppError} 400 */
		async takeIn(key: string, text: string): Promise<string> {
			const whole = readWhole(text);
			const done = await once(
				db,
				householdId,
				{ key, action: 'take in', body: { of: whole.household.id, at: whole.savedAt } },
				now,
				async () => ({ id: await takeWhole(db, whole, now) })
			);
			return done.id;
		}
	};
}
