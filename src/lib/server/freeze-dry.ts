import { sayCount, sayDuration, sayWeight } from '$core/quantities/format';
import { hoursWords } from '$core/runs/kinds/freeze-dry/acts';
import { onTrays, planFreezeDry, type FreezeDryAsk } from '$core/runs/kinds/freeze-dry/make';
import type { FreezeDryPlan } from '$core/runs/kinds/freeze-dry/plan';
import type { Stores } from './stores';
import { readLot } from './ways/read';

export interface FreezeDryRow {
	readonly lotId: string;
	readonly title: string;
	readonly amount: string;
	readonly ticked: boolean;
	/** "2 trays, 188 g left". */
	readonly words: string;
	readonly stop: string;
}

export interface FreezeDryView {
	readonly rows: readonly FreezeDryRow[];
	/** Null without one in the Kitchen. */
	readonly machine: null | { readonly name: string; readonly trays: number; readonly load: string };
	readonly sum: null | {
		readonly trays: number;
		readonly lines: readonly (readonly [string, string])[];
		readonly cautions: readonly string[];
		readonly source: string;
	};
	readonly stop: string;
}

/**
 * A load of the freeze-dryer: what of the Basket goes in, on how many trays, what sets its end; and the plan of its run.
 *
 * @throws {AppError} 404
 */
export async function freezeDryFor(
	stores: Stores,
	ask: { readonly lots: readonly string[] },
	now: Date
): Promise<{ view: FreezeDryView; plan: FreezeDryPlan | null }> {
	const [basket, kitchen] = await Promise.all([stores.stock.basket(), stores.home.kitchen()]);
	const { units, freezeDryer: machine } = kitchen;
	const rows: FreezeDryRow[] = [];
	const asks: FreezeDryAsk[] = [];
	for (const { lot } of machine ? basket : []) {
		const read = await readLot(stores, lot.id, now);
		const base = { lotId: lot.id, title: lot.title, amount: sayWeight(read.free_g, units), ticked: false, words: '' };
		const one = { lotId: lot.id, thing: read.thing, called: lot.title, raw_g: Math.max(1, read.free_g) };
		const lies = machine && onTrays(one, kitchen, machine);
		if (read.free_g === 0 || !lies || 'kind' in lies) {
			rows.push({
				...base,
				stop: read.free_g === 0 ? 'All of it is at the stove.' : lies && 'kind' in lies ? lies.reason : ''
			});
			continue;
		}
		const ticked = ask.lots.includes(lot.id);
		if (ticked) asks.push(one);
		const words = `${sayCount(lies.traysNeeded, 'tray')}, about ${sayWeight(lies.dry_g, units)} left${lies.wet ? '; wet through, it takes longest' : ''}${lies.frozen ? '' : '; frozen hard first'}`;
		rows.push({ ...base, ticked, words, stop: '' });
	}
	const shown = machine && { name: machine.name, trays: machine.trays, load: sayWeight(machine.load_kg * 1000, units) };
	const view: FreezeDryView = { rows, machine: shown, sum: null, stop: '' };
	if (asks.length === 0) return { view, plan: null };
	const plan = planFreezeDry(asks, kitchen);
	if (plan.kind === 'refused')
		return { view: { ...view, stop: `${plan.reason} ${plan.instead.join('; ')}.` }, plan: null };
	const hands_s = plan.subjects.reduce((sum, s) => sum + s.expected.hands_s, 0);
	return {
		plan,
		view: {
			...view,
			sum: {
				trays: plan.subjects.reduce((sum, s) => sum + s.trays.length, 0),
				lines: [
					['the machine', hoursWords(plan)],
					[
						'out of it',
						`about ${sayWeight(
							plan.subjects.reduce((sum, s) => sum + s.dry_g, 0),
							units
						)}`
					],
					['your hands', sayDuration(hands_s)]
				],
				cautions: [...new Set(plan.subjects.flatMap((s) => [...s.cautions, ...(s.asItWas ? [s.asItWas] : [])]))],
				source: [...new Set(plan.subjects.map((s) => s.source))].join(' · ')
			}
		}
	};
}
