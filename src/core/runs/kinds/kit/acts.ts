import { sayDate } from '../../../quantities/dates';
import { sayCount, sayWeight } from '../../../quantities/format';
import type { Act, TapOf, Trouble } from '../../engine/kind';
import type { KitEvent } from './events';
import { allReady, backBy, fillable, type KitState } from './fold';
import type { KitPlan } from './plan';

export type KitTap = TapOf<KitEvent>;
export type KitAct = Act<KitTap>;

const still = { unit: null, due: null, latest: null, clock: false, over: false, ready: true, subject: 1 } as const;

/** What one pack gets, in words: "150 g strawberries, 80 g spinach". */
export const eachWords = ({ parts, units }: KitPlan): string =>
	parts.map((p) => `${sayWeight(p.each_g, units)} ${p.food.name}`).join(', ');

/** All that could be done now: each part made ready, what is frozen last; then all packs filled in one go. */
export function acts(plan: KitPlan, state: KitState, now: number): KitAct[] {
	if (state.phase !== 'working') return [];
	const [kit] = plan.subjects;
	const back = backBy(plan, state);
	const late = back !== null && now > back.at;
	const open = plan.parts.filter((p) => !state.ready.some((r) => r.n === p.n));
	const list: KitAct[] = open.map((part, i) => {
		const frozen = part.state === 'frozen';
		return {
			...still,
			key: `part-${part.n}`,
			kind: 'part-ready',
			about: `${kit.food.name} · part ${part.n} of ${plan.parts.length} · ${sayWeight(part.each_g, plan.units)} to a pack`,
			short: part.food.name,
			sentence: `${capital(part.food.name)}: weigh out ${sayWeight(part.ready_g, plan.units)}.`,
			hint: frozen
				? `Out of the freezer only when all else is ready: what has thawed does not go back as it was. ${sayCount(plan.count, 'pack')} of ${sayWeight(part.each_g, plan.units)}.`
				: `${part.prepare} ${sayCount(plan.count, 'pack')} of ${sayWeight(part.each_g, plan.units)}.`,
			since: state.startedAt,
			asks: 'weight',
			button: { label: 'Ready', tap: { type: 'part-ready', part: part.n, grams: part.ready_g } },
			task: frozen || part.state === 'dried' ? 'wash' : 'knife',
			urgency: 6 + i * 0.1
		};
	});
	if (allReady(plan, state) || state.packed.length > 0) {
		const { kits, by } = fillable(plan, state);
		const short = by ? ` Enough ${by.food.name} for ${sayCount(kits, 'pack')}.` : '';
		list.push({
			...still,
			key: 'pack',
			kind: 'pack',
			about: `${kit.food.name} · ${sayCount(plan.count, 'pack')}`,
			short: kit.food.name,
			sentence:
				kit.place === 'freezer' ? 'Fill them, label them, into the freezer.' : 'Fill them, close them, label them.',
			hint: `Into each: ${eachWords(plan)}.${short} By label until ${sayDate(kit.until)}: ${kit.weakest} first.`,
			since: state.startedAt,
			asks: 'packs',
			button: null,
			task: 'label',
			urgency: state.packed.length > 0 ? 8.5 : 5.5
		});
	}
	if (back)
		list.push({
			...still,
			key: 'back',
			kind: 'back',
			about: back.part.food.name,
			short: back.part.food.name,
			sentence: late
				? `${capital(back.part.food.name)} had to be back in the cold by now.`
				: `${capital(back.part.food.name)} must be back in the cold.`,
			hint: late
				? 'Packed in time? Say so with “Tapping late”. Longer than two hours out: throw that part out.'
				: 'Two hours out of the cold at the most, all of them together.',
			due: back.at,
			latest: back.at,
			since: back.since,
			clock: true,
			over: late,
			drawn: !late,
			button: null,
			task: 'label',
			urgency: late ? 0.5 : 75
		});
	return list.sort((a, b) => a.urgency - b.urgency);
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** What can have gone wrong at the table. */
export function troubles(plan: KitPlan, state: KitState): Trouble<KitTap>[] {
	const frozen = plan.parts.filter((p) => p.state === 'frozen').map((p) => p.food.name);
	const packs = state.packed.length > 0;
	return [
		...(frozen.length > 0
			? [
					{
						id: 'thawed',
						title: `${capital(frozen.join(' or '))} thawed meanwhile`,
						advice: [
							'Still with ice in it, and no warmer than a fridge: fill it at once and back into the freezer; it will be softer.',
							'Soft through: eat or cook it now, within a day in the fridge. It is not frozen again raw.'
						],
						choices: [{ label: 'Note it', tap: { type: 'note', text: 'Some of it had begun to thaw.' } as const }]
					}
				]
			: []),
		{
			id: 'short',
			title: 'One part runs short',
			advice: [
				'Fill as many as it is enough for, all alike: the label says what is in them.',
				'What is left of the others: weigh it back into the Basket under “What came off”.'
			],
			choices: []
		},
		{
			id: 'away',
			title: 'Called away',
			advice: [
				packs
					? 'What is packed goes into the cold now; close the run for it.'
					: 'Everything into the fridge, covered; what was frozen back into the freezer at once.',
				'The rest waits here, with what you have weighed.'
			],
			choices: []
		}
	];
}
