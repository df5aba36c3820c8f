import type { Database } from '../db/client';
import { avoidStore } from './avoids';
import { batchStore } from './batches';
import { choiceStore } from './choices';
import { eatenStore } from './eaten';
import { gatherStore } from './gather';
import { gearStore } from './gear';
import { instrumentStore } from './instruments';
import { householdStore, type HouseholdRow, type OpenRun } from './households';
import { keeper } from './kept';
import { kitchensStore } from './kitchens';
import { outStore } from './out';
import { pastStore } from './past';
import { powerStore } from './power';
import { printerStore } from './printers';
import { runStore } from './runs';
import { priceStore } from './prices';
import { seasonPlanStore } from './season-plan';
import { seasonStore } from './seasons';
import { stockStore } from './stock';
import { wantStore } from './wants';

/**
 * All stores of one household, under one passed-in clock.
 *
 * @param read its open runs and its last change, where they were read with it just now and this request changes nothing
 */
export function storesFor(
	db: Database,
	household: HouseholdRow,
	now: Date,
	read?: { readonly open: readonly OpenRun[]; readonly changed: string }
) {
	const keep = keeper(db, household.id, read?.changed);
	return {
		keep,
		home: householdStore(db, household, now, keep),
		gear: gearStore(db, household.id, now),
		instruments: instrumentStore(db, household.id, now),
		printers: printerStore(db, household.id, now),
		power: powerStore(db, household.id, now),
		seasons: seasonStore(db, household.id, keep),
		garden: seasonPlanStore(db, household.id, now, keep),
		prices: priceStore(db, household.id, now, keep),
		out: outStore(db, household, now),
		past: pastStore(db, household.id, now),
		eaten: eatenStore(db, household.id, now, keep),
		avoids: avoidStore(db, household.id, now, keep),
		wants: wantStore(db, household.id, now, keep),
		choices: choiceStore(db, household.id, now),
		gather: gatherStore(db, household.id, now),
		kitchens: kitchensStore(db, household, now),
		stock: stockStore(db, household.id, now, keep),
		runs: runStore(db, household, now, read?.open),
		batches: batchStore(db, household.id, now)
	};
}

export type Stores = ReturnType<typeof storesFor>;
