import type { LiveHub } from '$lib/server/live';
import type { InstrumentRow } from '$lib/server/stores/instruments';
import type { Stores } from '$lib/server/stores';
import type { HouseholdRow } from '$lib/server/stores/households';

declare global {
	namespace App {
		interface Error {
			message: string;
			code?: string;
		}
		interface Locals {
			household: HouseholdRow;
			/** One clock, passed in: no logic asks the machine. */
			now: Date;
			stores: Stores;
			/** Signs this browser's cookies. */
			secret: string;
			/** One ear on what changes; none at an instrument's own addresses. */
			live?: LiveHub | undefined;
			/** At its own addresses: who speaks. */
			instrument?: InstrumentRow;
		}
	}
}

export {};
