import { sayDuration, sayTemperature, sayWeight } from '../../../quantities/format';
import type { Act, TapOf, Trouble } from '../../engine/kind';
import type { FreezeDryEvent } from './events';
import { isDry, weighAt, type FreezeDryState } from './fold';
import type { FreezeDryPlan } from './plan';

export type FreezeDryTap = TapOf<FreezeDryEvent>;
export type FreezeDryAct = Act<FreezeDryTap>;

const still = { unit: null, due: null, latest: null, clock: false, over: false, ready: true, subject: null } as const;

/** All that could be done now. */
export function acts(plan: FreezeDryPlan, state: FreezeDryState, now: number): FreezeDryAct[] {
	if (state.phase !== 'working') return [];
	const since = state.startedAt;
	const list: FreezeDryAct[] = [];
	if (state.onAt === null) {
		list.push(...filling(plan, state, since));
		const filled = state.trays.length > 0;
		const wantsIce = plan.subjects.some((s) => !s.frozen && state.trays.some((t) => t.subject === s.n));
		const all = plan.subjects.flatMap((s) => s.trays).every((n) => state.trays.some((t) => t.tray === n));
		const base = { ...still, about: plan.machine.name, short: plan.machine.name, since, task: 'wash' as const };
		if (filled && wantsIce && state.frozenAt === null)
			list.push({
				...base,
				key: 'freeze',
				kind: 'trays-frozen',
				sentence: 'The trays into the freezer until they are hard through.',
				hint: `At ${sayTemperature(plan.prefreeze_C, plan.units)} or below, level, a night is usual. What goes in soft foams and boils over.`,
				button: { label: 'Hard frozen', tap: { type: 'trays-frozen' } },
				urgency: all ? 6 : 60
			});
		else if (filled)
			list.push({
				...base,
				key: 'on',
				kind: 'chamber-on',
				sentence: `The trays into the ${plan.machine.name}, door shut, start.`,
				hint: `Quickly: nothing may thaw. ${hoursWords(plan)}`,
				button: { label: 'It is on', tap: { type: 'chamber-on' } },
				urgency: all ? 6 : 60
			});
		return list.sort((a, b) => a.urgency - b.urgency);
	}
	if (state.warmAt === null) list.push(...drying(plan, state, now, state.onAt));
	else list.push(...packing(plan, state, now, state.warmAt));
	return list.sort((a, b) => a.urgency - b.urgency);
}

/** What sets the end, in words. */
export function hoursWords({ hours, subjects }: FreezeDryPlan): string {
	const wet = subjects.filter((s) => s.wet).map((s) => s.food.name);
	const range = `${hours[0]} to ${hours[1]} h are usual, set by the wettest, thickest tray`;
	return wet.length > 0 ? `${range}: here ${wet.join(' and ')}, which can double it.` : `${range}.`;
}

function filling(plan: FreezeDryPlan, state: FreezeDryState, since: number): FreezeDryAct[] {
	return plan.subjects.flatMap((subject) => {
		const next = subject.trays.find((n) => !state.trays.some((t) => t.tray === n));
		if (next === undefined) return [];
		const on = state.trays.filter((t) => t.subject === subject.n).reduce((sum, t) => sum + t.wet_g, 0);
		const left = subject.trays.filter((n) => !state.trays.some((t) => t.tray === n)).length;
		const grams = Math.max(1, Math.round(Math.max(0, (state.weighed[subject.n] ?? subject.load_g) - on) / left));
		return [
			{
				...still,
				key: `fill-${next}`,
				kind: 'tray-filled',
				about: `${subject.food.name} · tray ${next}, of ${subject.trays.length}`,
				short: `${subject.food.name}, tray ${next}`,
				sentence: `${capital(subject.food.name)} onto tray ${next}: weigh what lies on it.`,
				hint: `${subject.prepare} ${plan.depth}, no higher than its rim, pieces alike.`,
				since,
				subject: subject.n,
				asks: 'weight',
				button: { label: 'It is on', tap: { type: 'tray-filled', tray: next, grams } },
				task: subject.frozen ? 'wash' : 'knife',
				urgency: 5 + next * 0.01
			} satisfies FreezeDryAct
		];
	});
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
const nameOf = (plan: FreezeDryPlan, n: number) => plan.subjects.find((s) => s.n === n)?.food.name ?? '';

function drying(plan: FreezeDryPlan, state: FreezeDryState, now: number, onAt: number): FreezeDryAct[] {
	const left = state.trays.filter((t) => !t.lost);
	const open = left.filter((t) => !isDry(plan, t));
	const base = { ...still, clock: true, since: onAt, task: 'wash' as const };
	if (left.length === 0)
		return [
			{
				...base,
				key: 'gone',
				kind: 'over',
				about: plan.machine.name,
				short: plan.machine.name,
				sentence: 'No tray of it is left.',
				hint: 'Close the run: what it cost stands in the Book.',
				button: { label: 'Close the run', tap: { type: 'finish' } },
				clock: false,
				urgency: 1
			}
		];
	if (open.length === 0)
		return [
			{
				...base,
				key: 'warm',
				kind: 'trays-warm',
				about: `${plan.machine.name} · every tray weighed the same twice`,
				short: plan.machine.name,
				sentence: 'Warm to the touch? Break the thickest piece.',
				hint: 'No cold anywhere, no dark or soft core. Bags and absorbers ready before the door opens: it draws water from the air at once.',
				button: { label: 'Warm and dry', tap: { type: 'trays-warm' } },
				others: [{ label: 'Two hours more', tap: { type: 'chamber-more', hours: 2 } }],
				urgency: 5
			}
		];
	return open.map((tray) => {
		const due = weighAt(plan, state, tray);
		const last = tray.weights.at(-1);
		const [low] = plan.hours;
		return {
			...base,
			key: `weigh-${tray.tray}-${tray.weights.length}`,
			kind: 'tray-weighed',
			about: `${nameOf(plan, tray.subject)} · tray ${tray.tray}`,
			short: `${nameOf(plan, tray.subject)}, tray ${tray.tray}`,
			sentence: now < due ? (last ? 'It goes on: weigh it again.' : 'It dries.') : `Weigh tray ${tray.tray}.`,
			hint: last
				? `${sayWeight(last.grams, plan.units)} at the last weighing. Dry when two weighings ${sayDuration(plan.apart_s)} apart agree.`
				: `${hoursWords(plan)} First weighed after ${low} h; dry when two weighings ${sayDuration(plan.apart_s)} apart agree. The machine’s own end is no proof.`,
			due,
			subject: tray.subject,
			asks: 'weight',
			button: {
				label: 'Weighed',
				tap: {
					type: 'tray-weighed',
					tray: tray.tray,
					grams: last?.grams ?? Math.max(1, Math.round(tray.wet_g * dryShare(plan, tray.subject)))
				}
			},
			then: `weigh tray ${tray.tray}`,
			urgency: now >= due ? 6 + tray.tray * 0.01 : 71 + tray.tray * 0.01
		} satisfies FreezeDryAct;
	});
}

const dryShare = (plan: FreezeDryPlan, n: number): number => {
	const subject = plan.subjects.find((s) => s.n === n);
	return subject ? subject.dry_g / Math.max(1, subject.load_g) : 1;
};

function packing(plan: FreezeDryPlan, state: FreezeDryState, now: number, warmAt: number): FreezeDryAct[] {
	const [soon, latest] = plan.pack_s;
	return plan.subjects
		.filter((s) => state.trays.some((t) => t.subject === s.n && !t.lost))
		.map((subject) => {
			const packed = state.packed.some((p) => p.subject === subject.n);
			const late = now > warmAt + latest * 1000;
			return {
				...still,
				key: `pack-${subject.n}`,
				kind: 'pack',
				about: subject.food.name,
				short: subject.food.name,
				sentence: packed ? 'Closed, labelled, away.' : 'Into bag or jar, absorber in, closed, at once.',
				hint: `${packed ? '' : late ? 'It has stood open: feel it; what bends again goes back onto a tray. ' : ''}${subject.absorber} ${waterWords(plan, state, subject.n)} ${subject.asItWas}`.trim(),
				since: warmAt,
				due: packed ? null : warmAt + soon * 1000,
				latest: packed ? null : warmAt + latest * 1000,
				clock: !packed,
				over: !packed && late,
				subject: subject.n,
				asks: 'packs',
				button: null,
				task: 'seal',
				urgency: (packed ? 8.5 : late ? 0.6 : 5) + subject.n * 0.01
			} satisfies FreezeDryAct;
		});
}

/** What it lost on its trays, and is left of it, by their own weights; null before one of them was weighed dry. */
export function weightsOf(
	state: Pick<FreezeDryState, 'trays'>,
	n: number
): { readonly wet_g: number; readonly dry_g: number } | null {
	const done = state.trays.filter((t) => t.subject === n && !t.lost && t.weights.length > 0);
	if (done.length === 0) return null;
	return {
		wet_g: done.reduce((sum, t) => sum + t.wet_g, 0),
		dry_g: done.reduce((sum, t) => sum + (t.weights.at(-1)?.grams ?? 0), 0)
	};
}

/** The water that goes back, by weight: "8.1 g of water to each gram". */
export function waterWords(plan: FreezeDryPlan, state: Pick<FreezeDryState, 'trays'>, n: number): string {
	const found = weightsOf(state, n);
	if (!found || found.dry_g <= 0) return '';
	const each = (found.wet_g - found.dry_g) / found.dry_g;
	return plan.units === 'us'
		? `Water back by weight: ${each.toFixed(1)} oz to each ounce.`
		: `Water back by weight: ${each.toFixed(1)} g to each gram.`;
}

/** What can have gone wrong with a load. */
export function troubles(_plan: FreezeDryPlan, state: FreezeDryState): Trouble<FreezeDryTap>[] {
	return [
		{
			id: 'core',
			title: 'A piece is cold or dark inside',
			advice: ['It is not dry, whatever the machine says: back in, and two weighings more.'],
			choices: state.onAt === null ? [] : [{ label: 'Two hours more', tap: { type: 'chamber-more', hours: 2 } }]
		},
		{
			id: 'power',
			title: 'The power went, or the pump stopped',
			advice: [
				'Door shut: an hour or two is no harm, the ice in it keeps it cold. Start it again.',
				'Thawed and wet: into the freezer and begin anew; raw meat or a dish above 5 °C (41 °F) for more than two hours goes out.'
			],
			choices: [{ label: 'Note it', tap: { type: 'note', text: 'The power was away.' } }]
		},
		{
			id: 'foam',
			title: 'A tray foamed or boiled over',
			advice: ['It was not frozen through, or it is too sweet or fat to freeze-dry. The others go on.'],
			choices: state.trays
				.filter((t) => !t.lost)
				.slice(0, 6)
				.map((t) => ({ label: `Tray ${t.tray} is lost`, tap: { type: 'tray-lost', tray: t.tray } as const }))
		}
	];
}
