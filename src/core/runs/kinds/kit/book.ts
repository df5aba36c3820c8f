import { nothingBooked, type RunBook } from '../../engine/book';
import { closingOf } from '../../engine/closing';
import type { Packable, Sums } from '../../engine/kind';
import { allReady, fillable, type KitState } from './fold';
import type { KitPlan } from './plan';

const packed_g = (state: KitState) => state.packed.reduce((sum, p) => sum + p.packs * p.pack_g, 0);
const packs = (state: KitState) => state.packed.reduce((sum, p) => sum + p.packs, 0);
const ready_g = (plan: KitPlan, state: KitState) =>
	plan.parts.reduce((sum, p) => sum + (state.ready.find((r) => r.n === p.n)?.grams ?? p.ready_g), 0);

/** What of each lot is used up: what was made ready whole; of the rest what the packs must have taken. */
export const used = (plan: KitPlan, state: KitState): { lotId: string; grams: number; n: number }[] =>
	plan.parts.flatMap(({ n, lotId, raw_g }) => {
		const share = state.ready.some((r) => r.n === n) ? 1 : Math.min(1, packs(state) / plan.count);
		const grams = Math.round(raw_g * share);
		return grams > 0 ? [{ lotId, grams, n }] : [];
	});

/** The book of a kit: one entry, of all its lots. */
export function book(plan: KitPlan, state: KitState): RunBook {
	if (state.phase === 'working' || state.endedAt === null) return nothingBooked;
	const [kit] = plan.subjects;
	const taken = used(plan, state);
	const raw_g = taken.reduce((sum, t) => sum + t.grams, 0);
	const closing = closingOf({
		...state,
		endedAt: state.endedAt,
		raw_g,
		load_g: state.ready.reduce((sum, r) => sum + r.grams, 0),
		hands_s: kit.expected.hands_s
	});
	// Two parts may be shares of one lot.
	const byLot = new Map<string, number>();
	for (const { lotId, grams } of taken) byLot.set(lotId, (byLot.get(lotId) ?? 0) + grams);
	return {
		end: { status: state.phase, endedAt: state.endedAt },
		again: state.again,
		entries: [
			{
				n: 1,
				food: kit.food.id,
				form: kit.form,
				cut: kit.form,
				wayId: 'kit',
				way: 'a kit',
				method: kit.state === 'frozen' ? 'freeze' : 'dry',
				state: kit.state,
				...(kit.madeOf.length > 1 ? { madeOf: kit.madeOf } : {}),
				title: kit.food.name,
				use: kit.use,
				months: kit.months[1],
				until: kit.until,
				closing
			}
		],
		used: [...byLot].map(([lotId, grams]) => ({ lotId, grams })),
		packs: state.packed.filter((p) => p.subject === 1),
		byproducts: state.byproducts.filter((p) => p.subject === 1)
	};
}

export function packables(plan: KitPlan, state: KitState): Packable[] {
	if (!allReady(plan, state) && state.packed.length === 0) return [];
	const [kit] = plan.subjects;
	const { kits } = fillable(plan, state);
	return [
		{
			n: 1,
			name: kit.food.name,
			ready_g: Math.min(ready_g(plan, state), kits * kit.portion_g),
			packed_g: packed_g(state),
			portion_g: kit.portion_g,
			containerId: kit.container?.id ?? null,
			readyWord: 'ready',
			packWord: kit.state === 'dried' ? 'jar' : 'pack'
		}
	];
}

export const allAway = (plan: KitPlan, state: KitState): boolean =>
	state.packed.length > 0 && packs(state) >= Math.min(plan.count, fillable(plan, state).kits);

export function sums(plan: KitPlan, state: KitState): Sums {
	const taken = used(plan, state).reduce((sum, t) => sum + t.grams, 0);
	const all = plan.parts.reduce((sum, p) => sum + p.raw_g, 0);
	return {
		packed_g: packed_g(state),
		supper_g: 0,
		waiting_g: all - taken,
		under_g: Math.max(0, taken - packed_g(state)),
		stoppedWords: taken < all ? 'What was not weighed out is still where it was.' : ''
	};
}
