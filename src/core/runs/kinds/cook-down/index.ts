import { sayWeight } from '../../../quantities/format';
import type { RunKind } from '../../engine/kind';
import { ofVersion } from '../../engine/version';
import { acts, type CookTap } from './acts';
import { allAway, book, expected_g, packables, sums } from './book';
import { fields, type CookEvent } from './events';
import { fold, type CookState } from './fold';
import { subjectOf, titleOf, type CookPlan } from './plan';
import { say, stations, troubles } from './words';

/** Why a figure is asked about before it is kept. */
function surprise(plan: CookPlan, tap: CookTap, state?: CookState): string | undefined {
	const subject = subjectOf(plan);
	const say = (grams: number) => sayWeight(grams, plan.units);
	if (tap.type === 'weigh' && (tap.grams >= subject.load_g * 5 || tap.grams * 5 <= subject.load_g))
		return `${say(tap.grams)} weighed, where about ${say(subject.load_g)} was to go in. Is that right?`;
	if (tap.type === 'by-product' && tap.grams > subject.raw_g * 1.2)
		return `${say(tap.grams)} came off ${say(subject.raw_g)}. Is that right?`;
	if (tap.type !== 'pack') return undefined;
	const total = tap.packs * tap.pack_g;
	const likely = state ? expected_g(plan, state) : subject.out_g;
	return total >= Math.max(likely, subject.out_g) * 5
		? `${say(total)} packed, where about ${say(likely)} was to come. Is that right?`
		: undefined;
}

/** Cooking down: softened, milled, simmered to a mark, cooled in its two stages, packed. */
export const cookDown: RunKind<CookPlan, CookState, CookEvent> = {
	id: 'cook-down',
	version: 1,
	fields,
	upgrade: (plan) => ofVersion<CookPlan>(plan, 1),
	fold,
	acts,
	troubles,
	wrongTurns: 'It has caught, still thin, called away.',
	worktop: 'On the worktop',
	surprise,
	book,
	stations,
	packables,
	allAway,
	sums,
	placesFor: () => ['freezer'],
	say: (event, units) => say(event, units),
	head: (plan) => {
		const { food, to, raw_g } = subjectOf(plan);
		return { food: food.name, way: to.name, raw_g };
	},
	outputs: (plan) => {
		const subject = subjectOf(plan);
		const { portion_g, out_g, use, months } = subject;
		return [{ n: 1, title: titleOf(subject), portion_g, prepared_g: out_g, use, keeps: { months: months[1] } }];
	},
	byproducts: (plan) => subjectOf(plan).byproducts,
	lots: (plan) => {
		const { lotId, raw_g } = subjectOf(plan);
		return [{ lotId, raw_g }];
	}
};
