import { sayWeight } from '../../../quantities/format';
import type { RunKind, Station } from '../../engine/kind';
import { sayCommon } from '../../engine/say';
import { ofVersion } from '../../engine/version';
import { acts, eachWords, troubles, type KitTap } from './acts';
import { allAway, book, packables, sums } from './book';
import { fields, type KitEvent } from './events';
import { backBy, fillable, fold, type KitState } from './fold';
import type { KitPlan } from './plan';

/** Why a figure is asked about before it is kept. */
function surprise(plan: KitPlan, tap: KitTap): string | undefined {
	const say = (grams: number) => sayWeight(grams, plan.units);
	const [kit] = plan.subjects;
	if (tap.type === 'part-ready') {
		const part = plan.parts.find((p) => p.n === tap.part);
		return part && (tap.grams * 5 <= part.ready_g || tap.grams > part.raw_g)
			? `${say(tap.grams)} of ${part.food.name}, where ${say(part.ready_g)} were to be weighed out. Is that right?`
			: undefined;
	}
	if (tap.type === 'by-product' && tap.grams > plan.parts.reduce((sum, p) => sum + p.raw_g, 0))
		return `${say(tap.grams)} left over, of less than that. Is that right?`;
	if (tap.type !== 'pack') return undefined;
	const total = tap.packs * tap.pack_g;
	return total >= plan.count * kit.portion_g * 5
		? `${say(total)} packed, where about ${say(plan.count * kit.portion_g)} was to come. Is that right?`
		: undefined;
}

/** A tap in a few words, for "Last:". */
const say = (event: KitEvent, units: KitPlan['units'], plan: KitPlan | null): string =>
	event.type === 'part-ready'
		? `${plan?.parts.find((p) => p.n === event.part)?.food.name ?? 'a part'} ready, ${sayWeight(event.grams, units)}`
		: sayCommon(event, units);

/** The worktop: each part with what of it is ready, and the packs. */
function stations(plan: KitPlan, state: KitState): Station[] {
	const [kit] = plan.subjects;
	const back = backBy(plan, state);
	const packs = state.packed.reduce((n, p) => n + p.packs, 0);
	return [
		...plan.parts.map((part): Station => {
			const ready = state.ready.find((r) => r.n === part.n);
			return {
				id: `part-${part.n}`,
				draw: part.state === 'frozen' ? 'fridge' : 'bin',
				name: part.food.name,
				figure: { words: sayWeight(ready?.grams ?? part.ready_g, plan.units) },
				words: ready ? 'ready' : 'to weigh out',
				foot: `${sayWeight(part.each_g, plan.units)} each`,
				warns: false,
				units: ready
					? []
					: [{ key: `part-${part.n}`, n: `${part.n}`, food: part.food.name, subject: part.n, due: null }],
				more: 0
			};
		}),
		{
			id: 'packs',
			draw: 'bags',
			name: 'Packs',
			figure: back ? { since: back.since, due: back.at } : { words: `${packs}` },
			words: `of ${Math.min(plan.count, fillable(plan, state).kits)}`,
			foot: kit.food.name,
			warns: back !== null,
			units: [],
			more: 0
		}
	];
}

/** Packs made of several lots at once: smoothie packs, soup jars, meal jars. Each part is weighed out, then all are filled in one go. */
export const kit: RunKind<KitPlan, KitState, KitEvent> = {
	id: 'kit',
	version: 1,
	fields,
	upgrade: (plan) => ofVersion<KitPlan>(plan, 1),
	fold,
	acts,
	troubles,
	wrongTurns: 'One part runs short, something thawed, called away.',
	worktop: 'On the table',
	surprise,
	book,
	stations,
	packables,
	allAway,
	sums,
	placesFor: (plan) => (plan.subjects[0].place === 'pantry' ? ['pantry', 'cool', 'cellar'] : ['freezer']),
	say,
	head: (plan) => ({
		food: plan.subjects[0].food.name,
		way: eachWords(plan),
		raw_g: plan.parts.reduce((sum, p) => sum + p.raw_g, 0)
	}),
	outputs: (plan) => {
		const [one] = plan.subjects;
		const { portion_g, load_g, use, months, until } = one;
		return [{ n: 1, title: one.food.name, portion_g, prepared_g: load_g, use, keeps: { months: months[1], until } }];
	},
	byproducts: (plan) => plan.subjects[0].byproducts,
	lots: (plan) => plan.parts.map(({ lotId, raw_g }) => ({ lotId, raw_g }))
};
