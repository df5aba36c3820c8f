import { sayWeight, type Units } from '../../../quantities/format';
import type { RunKind, Station } from '../../engine/kind';
import { sayCommon } from '../../engine/say';
import { ofVersion } from '../../engine/version';
import { acts, troubles, type BreakDownTap } from './acts';
import { allAway, book, packables, sums } from './book';
import { fields, type BreakDownEvent } from './events';
import { backBy, fold, outFor, partOf, type BreakDownState } from './fold';
import type { BreakDownPlan } from './plan';

/** A part is that much heavier than planned before it is asked about (common practice). */
const unlikely = 3;

/** Why a figure is asked about before it is kept. */
function surprise(plan: BreakDownPlan, tap: BreakDownTap): string | undefined {
	if (tap.type !== 'part') return undefined;
	const part = partOf(plan, tap.part);
	const say = (grams: number) => sayWeight(grams, plan.units);
	if (tap.grams > plan.table_g) return `${say(tap.grams)} of ${say(plan.table_g)} on the table. Is that right?`;
	if (part && tap.grams >= part.grams * unlikely && tap.grams > 2000)
		return `${say(tap.grams)} of ${part.name}, where about ${say(part.grams)} was to come. Is that right?`;
	return undefined;
}

/** A tap in a few words, for "Last:". */
function say(event: BreakDownEvent, units: Units, plan: BreakDownPlan | null): string {
	const box = (n: number) => plan?.boxes.find((b) => b.n === n)?.name ?? `box ${n}`;
	const part = (n: number) => (plan && partOf(plan, n)?.name) ?? 'a part';
	switch (event.type) {
		case 'box-out':
			return `${box(event.box)} out of the cold`;
		case 'box-back':
			return `${box(event.box)} back in the cold`;
		case 'box-empty':
			return `${box(event.box)} empty`;
		case 'part':
			return `${part(event.part)}, ${sayWeight(event.grams, units)}`;
		case 'part-done':
			return `all the ${part(event.part)}`;
		default:
			return sayCommon(event, units);
	}
}

/** The boxes, in the cold and out of it. */
function stations(plan: BreakDownPlan, state: BreakDownState, now: number): Station[] {
	return state.boxes.slice(0, 6).map((box): Station => {
		const { name = '' } = plan.boxes.find((b) => b.n === box.n) ?? {};
		const due = backBy(plan, box);
		const used = Math.round(outFor(box, now) / 60_000);
		return {
			id: `box-${box.n}`,
			draw: box.outAt === null ? 'fridge' : 'bin',
			name,
			figure: due !== null && box.outAt !== null ? { since: box.outAt, due } : { words: box.empty ? 'empty' : 'cold' },
			words: box.outAt === null ? (used > 0 ? `out ${used} min in all` : '') : 'out of the cold',
			foot: '',
			warns: due !== null && now >= due,
			units: [],
			more: 0
		};
	});
}

/** An animal or boxes of meat on the table: out of the cold and back by the clock, each part on the scale, the rest re-balanced. */
export const breakDown: RunKind<BreakDownPlan, BreakDownState, BreakDownEvent> = {
	id: 'break-down',
	version: 1,
	fields,
	upgrade: (plan) => ofVersion<BreakDownPlan>(plan, 1),
	fold,
	acts,
	troubles,
	wrongTurns: 'It has got warm, it smells, called away.',
	worktop: 'On the table',
	onTime: ['box-back'],
	packsNothing: true,
	surprise,
	book,
	stations,
	packables,
	allAway,
	sums,
	placesFor: () => ['fridge', 'cool', 'cellar'],
	say,
	head: (plan) => ({ food: plan.food.name, way: `cut up, ${plan.option.name}`, raw_g: plan.raw_g }),
	outputs: (plan) => [
		{ n: 1, title: `${plan.food.name}, cut up`, portion_g: plan.table_g, prepared_g: plan.table_g, use: '', keeps: { months: 0, days: 0 }, aside: true }
	],
	byproducts: (plan) => plan.parts.flatMap((p) => (p.food === null ? [] : [{ food: p.food, form: p.form }])),
	lots: (plan) => [{ lotId: plan.lotId, raw_g: plan.raw_g }]
}; // prettier-ignore
