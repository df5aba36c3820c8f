import { sayTemperature } from '../../../quantities/format';
import { about, key, mark, still, type Around, type DryAct } from './act';
import { waiting, type DrySubjectState } from './fold';
import { subjectOf } from './plan';

/** Before the trays: who identified it, whether it was heated through, the knife, the printed heat. */
export function before({ plan, state, now }: Around, known: DrySubjectState): DryAct[] {
	const subject = subjectOf(plan, known.n);
	if (!subject) return [];
	const base = { ...still, ...about(plan, subject), subject: subject.n, since: state.startedAt };
	const at = subject.n / 100;
	const gate = subject.gates.find((g) => (g.id === 'identified' ? known.identified : known.heated_C) === null);
	const knife: DryAct[] = known.weighed
		? []
		: [
				{
					...base,
					key: key(plan, subject.n, 'weigh'),
					kind: 'weigh',
					sentence: subject.prepare,
					hint: `${subject.pretreat} Weigh what is ready: trays follow from it.`,
					asks: 'weight',
					button: { label: 'Weighed', tap: { type: 'weigh', ...mark(plan, subject.n), grams: subject.load_g } },
					task: 'knife',
					urgency: 5 + at
				}
			];
	if (gate?.id === 'identified')
		return [
			{
				...base,
				key: key(plan, subject.n, 'identified'),
				kind: 'identified',
				sentence: `Who identified ${subject.food.name.toLowerCase()}, and by what?`,
				hint: gate.words,
				asks: 'words',
				button: { label: 'Identified', tap: { type: 'identified', ...mark(plan, subject.n), words: '' } },
				others: [
					{
						label: 'Not sure: stop here',
						tap: { type: 'stop', reason: `${subject.food.name}: not identified for certain` }
					}
				],
				task: 'heat',
				urgency: 3.8 + at
			}
		];
	if (gate?.id === 'heated')
		return [
			...knife,
			{
				...base,
				key: key(plan, subject.n, 'heated'),
				kind: 'heated',
				sentence: `Heat it through: at least ${sayTemperature(gate.least_C, plan.units)} at its centre.`,
				hint: gate.words,
				asks: 'temperature',
				button: {
					label: 'Measured',
					tap: { type: 'heated', ...mark(plan, subject.n), dC: Math.ceil(gate.least_C * 10) }
				},
				task: 'heat',
				urgency: 6 + at
			}
		];
	if (knife.length > 0 || !subject.first || known.heat.done || waiting(plan, state, subject.n).length === 0)
		return knife;
	const { least_s, most_s, method, dip } = subject.first;
	const { since, potfuls } = known.heat;
	const where = method === 'steam' ? 'steam' : 'boiling water';
	if (since === null)
		return [
			{
				...base,
				key: key(plan, subject.n, `first-${potfuls}`),
				kind: 'first',
				sentence: dip
					? `Into the ${where}, to crack the skins.`
					: potfuls === 0
						? `First into the ${where}.`
						: `The next potful into the ${where}.`,
				hint: subject.pretreat,
				button: { label: 'It is in', tap: { type: 'first', ...mark(plan, subject.n), on: true } },
				others: [
					{
						label: potfuls > 0 ? 'That was all of it' : 'Without it, raw',
						tap: { type: 'first', ...mark(plan, subject.n), on: false, last: true }
					}
				],
				task: 'heat',
				urgency: 6 + at
			}
		];
	const due = since + least_s * 1000;
	const latest = most_s > least_s ? since + most_s * 1000 : null;
	const late = latest !== null && now > latest;
	return [
		{
			...base,
			key: key(plan, subject.n, `first-out-${potfuls}`),
			kind: 'first-out',
			sentence: now >= due ? 'Out, into cold water, then dry it off.' : `In the ${where}.`,
			hint: dip
				? 'The skins show fine cracks. Cold water at once, pat dry.'
				: 'Cold at once, drained and patted dry: wet pieces dry slowly.',
			due,
			latest,
			since,
			clock: true,
			over: late,
			ready: now >= due,
			button: { label: 'Out: the last of it', tap: { type: 'first', ...mark(plan, subject.n), on: false, last: true } },
			others: [{ label: 'Out, and another potful', tap: { type: 'first', ...mark(plan, subject.n), on: false } }],
			task: 'heat',
			urgency: now >= due ? 1 : 70
		}
	];
}
