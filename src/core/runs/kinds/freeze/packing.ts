import type { Packable, Sums } from '../../engine/kind';
import { tally, type FreezeState } from './fold';
import type { FreezePlan } from './plan';

/** What of it is firm, or in packs already. */
export const packables = (plan: FreezePlan, state: FreezeState): Packable[] =>
	plan.subjects.flatMap((s): Packable[] => {
		const { firm_g, packed_g } = tally(state, s.n);
		if (firm_g === 0 && packed_g === 0) return [];
		return [
			{
				n: s.n,
				name: s.food.name,
				// What should come out of what is firm: ears give kernels.
				ready_g: Math.round(firm_g * (s.load_g > 0 ? s.prepared_g / s.load_g : 1)),
				packed_g,
				portion_g: s.portion_g,
				...(s.second_g === undefined ? {} : { second_g: s.second_g }),
				containerId: s.container?.id ?? null,
				readyWord: 'firm',
				packWord: 'pack'
			}
		];
	});

/** Foods that still go into the pot, in their order. */
export const queue = (plan: FreezePlan, state: FreezeState): { n: number; name: string }[] =>
	state.order.flatMap((n) => {
		const subject = plan.subjects.find((s) => s.n === n && s.pot !== null);
		const waits = state.potfuls.some((p) => p.subject === n && p.spot === 'waiting');
		return subject && waits ? [{ n, name: subject.food.name }] : [];
	});

export function allAway(plan: FreezePlan, state: FreezeState): boolean {
	const all = tally(state);
	return (
		state.packed.length > 0 &&
		all.waiting_g + all.under_g === 0 &&
		plan.subjects.every((s) => state.packed.some((p) => p.subject === s.n) || tally(state, s.n).firm_g === 0)
	);
}

export function sums(_plan: FreezePlan, state: FreezeState): Sums {
	const { packed_g, supper_g, waiting_g, under_g } = tally(state);
	return {
		packed_g,
		supper_g,
		waiting_g,
		under_g,
		stoppedWords: 'What had not been in the heat or on a tray is still in the Basket.'
	};
}
