import type { Database } from '../db/client';
import { avoidStore } from './avoids';
import { batchStore } from './batches';
import { choiceStore } from './choices';
import { eatenStore } from './eaten';
import { gatherStore } from './gather';
import { gearStore } from './gear';
import { instrumentStore } from './instruments';
import { householdStore, type HouseholdRow, type OpenRun } from './households';
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
 * @param open its open runs, where they were read with it just now and this request changes none
 */
export function storesFor(db: Database, household: HouseholdRow, now: Date, open?: readonly OpenRun[]) {
	return {
		home: householdStore(db, household, now),
		gear: gearStore(db, household.id, now),
		instruments: instrumentStore(db, household.id, now),
		printers: printerStore(db, household.id, now),
		power: powerStore(db, household.id, now),
		seasons: seasonStore(db, household.id),
		garden: seasonPlanStore(db, household.id, now),
		prices: priceStore(db, household.id, now),
		out: outStore(db, household, now),
		past: pastStore(db, household.id, now),
		eaten: eatenStore(db, household.id, now),
		avoids: avoidStore(db, household.id, now),
		wants: wantStore(db, household.id, now),
		choices: choiceStore(db, household.id, now),
		gather: gatherStore(db, household.id, now),
		kitchens: kitchensStore(db, household, now),
		stock: stockStore(db, household.id, now),
		runs: runStore(db, household, now, open),
		batches: batchStore(db, household.id, now)
	};
}

export type Stores = ReturnType<typeof storesFor>;
