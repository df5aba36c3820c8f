import { canningRules } from '../../../../reference/canning-rules';
import { sayCount, sayDuration, sayHeadspace, sayLength, sayTemperature, sayWeight } from '../../../quantities/format';
import type { Act, TapOf } from '../../engine/kind';
import { allAway } from './book';
import type { CanEvent } from './events';
import {
	askEvery_ms,
	expectedJars,
	fullAt,
	fullness,
	heldBetween_ms,
	inCanner,
	jarsIn,
	loadAt,
	minutesOf,
	processedJars,
	restOf_s,
	type CanLoad,
	type CanState
} from './fold';
import type { CanPlan, CanSubject } from './plan';
import { acidNames, acidOf, acidsOf, jarWords, loadWords, markWords } from './say';

export type CanTap = TapOf<CanEvent>;
export type CanAct = Act<CanTap>;

const still = {
	unit: null,
	due: null,
	latest: null,
	clock: false,
	over: false,
	ready: true,
	subject: null,
	task: 'pressure'
} as const;

/** What every act of a load in the canner has alike. */
type Base = Omit<typeof still, 'unit'> & {
	readonly about: string;
	readonly short: string;
	readonly since: number;
	readonly unit: string;
};

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
const min = (seconds: number) => (seconds < 60 ? 'less than a minute' : `${Math.round(seconds / 60)} min`);

/** All that could be done now, the most urgent first. A canner under heat is never said to be safe to leave. */
export function acts(plan: CanPlan, state: CanState, now: number): CanAct[] {
	if (state.phase !== 'working') return [];
	const list = [
		...settleAct(plan, state),
		...readyActs(plan, state),
		...printedActs(plan, state),
		...weighActs(plan, state),
		...fillActs(plan, state, now),
		...canActs(plan, state, now),
		...awayActs(plan, state)
	];
	return list.sort((a, b) => a.urgency - b.urgency);
}

const titleOf = (plan: CanPlan): string => plan.subjects.map((s) => s.food.name).join(', ');

function settleAct(plan: CanPlan, state: CanState): CanAct[] {
	if (!state.unsettled) return [];
	const { what, at } = state.unsettled;
	return [
		{
			...still,
			key: `settle-${at}`,
			kind: 'plan-is-right',
			about: titleOf(plan),
			short: 'the Kitchen was changed',
			sentence: `The ${what === 'altitude' ? 'altitude' : 'canner'} of the Kitchen was changed: no minutes are counted.`,
			hint: `This run goes by ${Math.round(plan.altitude_m)} m${plan.psi === null ? '' : ` and ${markWords(plan)} on ${plan.canner.gauge === 'weighted' ? 'a weight' : 'a dial'}`}. Where that is right it goes on, with the full time again from the next reading; where it is not, stop here and begin anew with what is right.`,
			since: at,
			button: { label: 'The run’s is right', tap: { type: 'plan-is-right' } },
			urgency: 0.5
		}
	];
}

/** What it takes for all of it: jars, new lids, rings, acid. */
export function needs(plan: CanPlan): string {
	const jars = plan.subjects.reduce((sum, s) => sum + s.jars, 0);
	const acid = plan.subjects.flatMap((s) => {
		const first = s.acid && acidsOf(s.acid)[0];
		if (!s.acid || !first) return [];
		return [`${acidOf(s.acid, first, plan.units)} ${acidNames[first]} for each of ${jarWords(s, s.jars)}`];
	});
	return [
		...plan.subjects.map((s) => `${jarWords(s, s.jars)} with no nick in the rim`),
		`${sayCount(jars, 'new lid')}, ${sayCount(jars, 'ring')}`,
		...acid
	].join('; ');
}

function readyActs(plan: CanPlan, state: CanState): CanAct[] {
	if (state.ready) return [];
	return [
		{
			...still,
			key: 'ready',
			kind: 'all-there',
			about: `${titleOf(plan)} · before work`,
			short: 'before work',
			sentence: 'Is all of it there?',
			hint: `${capital(needs(plan))}; rack, lifter, a clean cloth. Jars washed and hot, lids by their maker’s words.${plan.subjects.some((s) => s.sterile) ? ` The process is shorter than ${canningRules.sterileBelow_min.value} minutes: jars boiled first.` : ''}`,
			since: state.startedAt,
			button: { label: 'All there', tap: { type: 'all-there' } },
			task: 'wash',
			urgency: 4
		}
	];
}

function printedActs(plan: CanPlan, state: CanState): CanAct[] {
	return plan.subjects
		.filter((s) => state.printed[s.n] === undefined)
		.map((s): CanAct => {
			const list = s.ingredients.length > 0;
			return {
				...still,
				key: `printed-${s.n}`,
				kind: 'as-printed',
				about: `${s.product.name} · ${s.style} pack`,
				short: s.product.name,
				sentence: list
					? `Made as it is printed, and nothing else?`
					: `${capital(s.product.name)}, and nothing else in the jar?`,
				hint: `${s.prepare} ${list ? `For one making: ${s.ingredients.join('; ')}. ` : ''}${s.keep.length > 0 ? `Not to be changed: ${s.keep.join('; ')}. ` : ''}No oil, butter, flour, rice, noodles or other vegetables: its minutes hold for this alone. Salt and dried spice as you like.`,
				since: state.startedAt,
				subject: s.n,
				button: { label: 'Just so', tap: { type: 'as-printed', product: s.n, word: 'yes' } },
				others: [{ label: 'Something else is in it', tap: { type: 'as-printed', product: s.n, word: 'no' } }],
				task: 'knife',
				urgency: 4.5 + s.n * 0.01
			};
		});
}

/** What is ready is weighed: it says how many jars it will be. */
function weighActs(plan: CanPlan, state: CanState): CanAct[] {
	return plan.subjects
		.filter((s) => state.printed[s.n] === 'yes' && state.weighed[s.n] === undefined)
		.filter((s) => !state.loads.some((l) => l.filled.some((f) => f.subject === s.n)))
		.map((s): CanAct => {
			const tap = { type: 'weigh', ...(plan.subjects.length > 1 ? { subject: s.n } : {}), grams: s.load_g } as const;
			return {
				...still,
				key: `weigh-${s.n}`,
				kind: 'weigh',
				about: `${s.product.name} · about ${jarWords(s, s.jars)}`,
				short: s.product.name,
				sentence: 'Prepared: what does it weigh?',
				hint: `${sayWeight(Math.round(s.need_g), plan.units)} of it fill a ${s.jar}. Weighed, it says how many jars go hot; not weighed, it goes by ${jarWords(s, s.jars)}.`,
				since: state.startedAt,
				subject: s.n,
				asks: 'weight',
				button: { label: 'Weighed', tap },
				others: [{ label: 'Not weighed', tap }],
				task: 'knife',
				urgency: 4.7 + s.n * 0.01
			};
		});
}

/** Which load is to be filled next: the one that is begun, or the next while there is something left for it. */
export function filling(plan: CanPlan, state: CanState): { n: number; load: CanLoad | undefined } | null {
	const begun = loadAt(state, ['fill']);
	if (begun) return { n: begun.n, load: begun };
	const open = plan.subjects.some((s) => state.printed[s.n] === 'yes' && wantedIn(plan, state, 0, s) > 0);
	return open || state.loads.length === 0 ? { n: state.loads.length + 1, load: undefined } : null;
}

/** Jars of a product that are to be filled in this load, those that are in it counted: what the others have not. */
function wantedIn(plan: CanPlan, state: CanState, n: number, subject: CanSubject): number {
	const elsewhere = state.loads
		.filter((l) => l.n !== n)
		.reduce((sum, l) => sum + (l.filled.find((f) => f.subject === subject.n)?.jars ?? 0), 0);
	return Math.max(0, expectedJars(plan, state, subject.n) - elsewhere);
}

/** Jars for the next load are filled this long before boiling water gives its own back; under pressure while it comes down (common practice). */
const fillBefore_ms = 20 * 60_000;

/** When the canner is nearly free, ms; null where nobody knows yet. Now, where nothing is in it. */
function nearlyFree(plan: CanPlan, state: CanState, now: number): number | null {
	const busy = loadAt(state, inCanner);
	if (!busy || ['down', 'rest'].includes(busy.spot)) return now;
	const full = busy.spot === 'hold' ? fullAt(plan, busy) : null;
	if (full === null) return null;
	return plan.heat === 'pressure' ? full : full - fillBefore_ms;
}

function fillActs(plan: CanPlan, state: CanState, now: number): CanAct[] {
	const at = filling(plan, state);
	if (!at) return [];
	const { n, load } = at;
	const list: CanAct[] = [];
	const hot = loadAt(state, inCanner) !== undefined;
	const free = nearlyFree(plan, state, now);
	const ready = free !== null && now >= free;
	for (const subject of plan.subjects) {
		if (state.printed[subject.n] !== 'yes') continue;
		const have = load?.filled.find((f) => f.subject === subject.n)?.jars ?? 0;
		const wanted = wantedIn(plan, state, n, subject);
		if (have >= wanted) continue;
		const acid = subject.acid;
		const kinds = acid ? acidsOf(acid) : [];
		const room = 1 - fullness(plan, load?.filled ?? []);
		const fits = Math.floor(room / fullness(plan, [{ subject: subject.n, jars: 1 }]) + 1e-6);
		const all = Math.min(wanted, have + fits);
		if (all <= have) continue;
		const used = load?.filled.find((f) => f.subject === subject.n)?.acid ?? kinds[0];
		const tap = (jars: number, kind = used): CanTap => ({
			type: 'filled',
			load: n,
			product: subject.n,
			jars,
			...(acid && kind ? { acid: kind } : {})
		}); // prettier-ignore
		const into = acid && used ? `${acidOf(acid, used, plan.units)} ${acidNames[used]} first, then the food; ` : '';
		list.push({
			...still,
			ready,
			due: ready ? null : free,
			key: `fill-${n}-${subject.n}-${have}`,
			kind: 'filled',
			about: `${subject.product.name} · load ${n}, jar ${have + 1} of ${all}`,
			short: `${subject.product.name}, load ${n}`,
			sentence: acid
				? `Jar ${have + 1}: acid, food, ${sayHeadspace(subject.headspace_in, plan.units)} free.`
				: `Jar ${have + 1}: ${sayHeadspace(subject.headspace_in, plan.units)} free.`,
			hint: `${capital(`${into}${subject.style === 'hot' ? 'hot food into hot jars' : 'raw food into hot jars, hot liquid over it'}`)}; bubbles out, rim wiped, lid on, ring finger-tight. ${hot ? 'The canner is busy: these are filled when it is nearly free: no packed jar waits.' : `Into the canner at once, its water at ${sayTemperature(Math.round((subject.style === 'hot' ? canningRules.loadHot_C : canningRules.loadRaw_C).value), plan.units)}: no packed jar waits.`}`,
			since: load?.since ?? state.startedAt,
			subject: subject.n,
			button: { label: 'That jar is in', tap: tap(have + 1) },
			others: [
				...(all - have > 1 ? [{ label: `All ${all} are in`, tap: tap(all) }] : []),
				...kinds
					.filter((kind) => kind !== used)
					.map((kind) => ({
						label: `With ${acid ? acidOf(acid, kind, plan.units) : ''} ${acidNames[kind]}`,
						tap: tap(have + 1, kind)
					}))
			],
			task: 'heat',
			urgency: (hot ? 7.5 : 6) + subject.n * 0.01
		});
	}
	if (load && jarsIn(load) > 0 && !loadAt(state, inCanner)) list.push(lidAct(plan, load, list.length > 0));
	return list;
}

/** Water as deep as it must be. */
export function waterWords(plan: CanPlan, load: Pick<CanLoad, 'filled' | 'n'>): string {
	const r = canningRules;
	if (plan.heat === 'pressure')
		return `${sayLength(r.waterInPressureCanner_m.value, plan.units)} of hot water at least in the canner, rack in`;
	if (plan.heat === 'steam') return 'water to the maker’s line, rack in, and never boiled dry';
	const over = minutesOf(plan, load) > 30 ? r.waterOverJarsLong_m : r.waterOverJars_m;
	return `water ${sayLength(over.value, plan.units)} over the lids at least`;
}

function lidAct(plan: CanPlan, load: CanLoad, more: boolean): CanAct {
	const vent = plan.heat === 'pressure' ? ', vent open' : '';
	return {
		...still,
		key: `lid-${load.n}`,
		kind: 'lid-on',
		about: `load ${load.n} · ${loadWords(plan, load.filled)}`,
		short: `load ${load.n}`,
		sentence: more ? 'No more in this load: lid on, heat high.' : 'Jars in, lid on, heat high.',
		hint: `${capital(waterWords(plan, load))}${vent}. It counts for ${minutesOf(plan, load)} minutes${plan.psi === null ? ' from the full boil' : ` at ${markWords(plan)}`}.`,
		since: load.since,
		unit: `load-${load.n}`,
		button: { label: 'Lid on', tap: { type: 'lid-on', load: load.n } },
		urgency: more ? 6.5 : 5.5
	};
}

const stay = 'Somebody stays with it: under pressure it is never left, nor opened.';

function canActs(plan: CanPlan, state: CanState, now: number): CanAct[] {
	const load = loadAt(state, inCanner);
	if (!load) return [];
	const { n } = load;
	const pressure = plan.heat === 'pressure';
	const minutes = minutesOf(plan, load);
	const base = {
		...still,
		about: `load ${n} · ${loadWords(plan, load.filled)}`,
		short: `load ${n}`,
		since: load.since,
		unit: `load-${n}`
	} as const;
	switch (load.spot) {
		case 'heat':
			return [pressure ? ventAct(plan, load, base) : boilAct(plan, load, base)];
		case 'vent': {
			const since = load.ventFrom ?? load.since;
			const due = since + canningRules.vent_s.value * 1000;
			return [
				{
					...base,
					key: `vent-${n}-${since}`,
					kind: 'weight-on',
					sentence: now < due ? 'Let it vent.' : plan.canner.gauge === 'weighted' ? 'Weight on.' : 'Close the petcock.',
					hint: `${sayDuration(canningRules.vent_s.value)} of steady steam in an unbroken stream: air left inside makes it colder than the gauge says.${load.restarts.at(-1)?.why === 'vent' ? ' It was closed too early: ten minutes anew.' : ''} ${stay}`,
					since,
					due,
					clock: true,
					ready: now >= due,
					button: {
						label: plan.canner.gauge === 'weighted' ? 'Weight on' : 'Closed',
						tap: { type: 'weight-on', load: n }
					},
					urgency: now >= due ? 1.5 : 5
				}
			];
		}
		case 'up':
			return [
				{
					...base,
					...reading(plan, load),
					key: `up-${n}-${load.restarts.length}`,
					sentence: `Up to ${markWords(plan)}.`,
					hint: `${again(load)}The ${minutes} minutes begin when it is there, not before. Had it come down to 0 meanwhile: vent it anew. ${stay}`,
					others: [
						...(plan.canner.gauge === 'weighted'
							? [{ label: 'It is still', tap: { type: 'gauge', load: n, weight: 'still' } as const }]
							: []),
						...(load.restarts.some((r) => r.why !== 'vent')
							? [{ label: 'Vent anew', tap: { type: 'venting', load: n } as const }]
							: [])
					],
					clock: true,
					urgency: 2.5
				},
				...gapActs(plan, load)
			];
		case 'hold':
			return [...holdActs(plan, load, base, now), ...gapActs(plan, load)];
		case 'short':
			return [
				...gapActs(plan, load),
				{
					...base,
					key: `short-${n}`,
					kind: 'heat-again',
					sentence: `The heat went off before ${minutes} minutes were full.`,
					hint: `It is no process yet. Bring it back ${pressure ? `to ${markWords(plan)}` : 'to the full boil'} and give it all ${minutes} minutes again, from the beginning. Or give it up: the jars go into the fridge or the freezer.`,
					button: { label: 'Heat on again', tap: { type: 'heat-again', load: n } },
					others: [{ label: 'Give it up', tap: { type: 'give-up', load: n } }],
					urgency: 1.2
				}
			];
		case 'down':
			return [
				{
					...base,
					key: `down-${n}`,
					kind: 'at-zero',
					sentence: 'Heat off. It comes down by itself.',
					hint: 'Not moved, not cooled with water, the weight not lifted: the food goes on heating, and jars break. When the gauge is at 0 (a weight no longer hisses), say so.',
					clock: true,
					button: { label: 'At 0', tap: { type: 'at-zero', load: n } },
					urgency: 6
				}
			];
		case 'rest': {
			const due = load.since + restOf_s(plan) * 1000;
			return [
				{
					...base,
					key: `rest-${n}`,
					kind: 'jars-out',
					sentence: now < due ? `${pressure ? 'Weight off, and wait' : 'Lid off, and wait'}.` : 'Jars out.',
					hint: `${pressure ? 'The lid away from you: steam burns. ' : ''}Jars straight up onto a towel, an inch apart, no draught, rings not tightened. ${canningRules.coolLeast_h.value} to ${canningRules.coolMost_h.value} hours undisturbed.`,
					due,
					clock: now < due,
					ready: now >= due,
					button: { label: 'Jars out', tap: { type: 'jars-out', load: n } },
					urgency: now >= due ? 3 : 6
				}
			];
		}
		default:
			return [];
	}
}

const again = (load: CanLoad): string => {
	const last = load.restarts.at(-1);
	if (!last || last.why === 'vent') return '';
	return last.why === 'changed'
		? 'The Kitchen was changed: the full time again. '
		: `It was lost after ${min(last.lost_s)}: the full time again. `;
};

const ventAct = (plan: CanPlan, load: CanLoad, base: Base): CanAct => ({
	...base,
	key: `steam-${load.n}`,
	kind: 'venting',
	sentence: 'Heat high, until steam comes in a steady stream.',
	hint: `${capital(waterWords(plan, load))}, lid locked, vent open. The ten minutes of venting count from the steady stream. ${stay}`,
	clock: true,
	button: { label: 'Steady steam', tap: { type: 'venting', load: load.n } },
	urgency: 4
}); // prettier-ignore

const boilAct = (plan: CanPlan, load: CanLoad, base: Base): CanAct => ({
	...base,
	key: `boil-${load.n}-${load.restarts.length}`,
	kind: 'full-boil',
	sentence: plan.heat === 'steam' ? 'Until a full column of steam stands at its vents.' : 'Back to a full, rolling boil.',
	hint: `${again(load)}${plan.heat === 'steam' ? 'Eight to ten inches of steady steam, or its sensor at the boil of this kitchen' : `${capital(waterWords(plan, load))}; ${sayTemperature(Math.round(plan.boil_C), plan.units)} is the boil in this kitchen`}. The ${minutesOf(plan, load)} minutes begin then.`,
	clock: true,
	button: { label: plan.heat === 'steam' ? 'Full steam' : 'Full boil', tap: { type: 'full-boil', load: load.n } },
	urgency: 2.5
}); // prettier-ignore

/** How the gauge is read: a dial by its figure, a weight by how it moves. */
function reading(plan: CanPlan, load: CanLoad): Pick<CanAct, 'kind' | 'button' | 'others' | 'asks'> {
	if (plan.canner.gauge === 'weighted')
		return {
			kind: 'gauge',
			button: { label: 'It moves as it should', tap: { type: 'gauge', load: load.n, weight: 'moves' } },
			others: [{ label: 'It is still', tap: { type: 'gauge', load: load.n, weight: 'still' } }]
		};
	return {
		kind: 'gauge',
		asks: 'pressure',
		button: { label: 'It shows so much', tap: { type: 'gauge', load: load.n } }
	};
}

function holdActs(plan: CanPlan, load: CanLoad, base: Base, now: number): CanAct[] {
	const { n } = load;
	const pressure = plan.heat === 'pressure';
	const due = fullAt(plan, load) ?? now;
	const ready = now >= due;
	const list: CanAct[] = [
		{
			...base,
			key: `hold-${n}-${load.heldFrom ?? 0}`,
			kind: 'heat-off',
			since: load.heldFrom ?? load.since,
			due,
			clock: true,
			ready,
			sentence: ready ? 'Heat off.' : pressure ? `Keep it at ${markWords(plan)}.` : plan.heat === 'steam' ? 'Keep it at full steam.' : 'Keep it at a full boil.',
			hint: ready
				? pressure ? 'It had its full time. Now it comes down by itself.' : 'It had its full time. Lid off, five minutes, then out.'
				: `${again(load)}${minutesOf(plan, load)} minutes in all, by the table; not one less. ${pressure ? `Below the mark for a moment: the full time again. ${stay}` : 'If it stops boiling: back to the boil, and the full time again. Boiling water from a kettle keeps the lids covered.'}`,
			button: { label: 'Heat off', tap: { type: 'heat-off', load: n } },
			others: [{ label: pressure ? 'It fell below' : 'It stopped boiling', tap: { type: 'fell', load: n } }],
			urgency: ready ? 1 : 3.6
		}
	]; // prettier-ignore
	if (!pressure || load.seen === null) return list;
	const ask = load.seen + askEvery_ms;
	const late = load.seen + heldBetween_ms;
	list.push({
		...base,
		...reading(plan, load),
		key: `read-${n}-${load.seen}`,
		sentence: plan.canner.gauge === 'weighted' ? 'Does the weight move as its maker says?' : 'What does the dial show?',
		hint: `Readings no more than ten minutes apart count as held between them (common practice). ${markWords(plan)} at least.`,
		since: load.seen,
		due: ask,
		latest: late,
		clock: now >= ask,
		over: now > late,
		ready: true,
		drawn: now < ask,
		then: plan.canner.gauge === 'weighted' ? 'look at the weight' : 'read the dial',
		urgency: now >= ask && !ready ? 1.8 : 9
	});
	return list;
}

/** A longer gap: was somebody with it the whole time? */
function gapActs(plan: CanPlan, load: CanLoad): CanAct[] {
	const { gap } = load;
	if (!gap) return [];
	const answer = (word: 'yes' | 'no' | 'not-sure'): CanTap => ({
		type: 'watched',
		load: load.n,
		reading: gap.reading,
		word
	}); // prettier-ignore
	return [
		{
			...still,
			key: `gap-${load.n}-${gap.to}`,
			kind: 'watched',
			about: `load ${load.n} · ${min((gap.to - gap.from) / 1000)} without a reading`,
			short: `load ${load.n}, a gap`,
			sentence: 'Did somebody watch it the whole time?',
			hint: `Between the readings lie ${min((gap.to - gap.from) / 1000)}. If somebody saw it at ${markWords(plan)} or above all the while, that word is kept, and the minutes go on. Nobody, or not sure: the full time again.`,
			since: gap.to,
			unit: `load-${load.n}`,
			button: { label: 'Nobody, or not sure', tap: answer('not-sure') },
			others: [{ label: 'Yes, I watched it', tap: answer('yes') }],
			urgency: 1.1
		}
	];
}

/** What is to be put away: jars with their process onto a shelf, the others into the cold. */
function awayActs(plan: CanPlan, state: CanState): CanAct[] {
	const list: CanAct[] = [];
	for (const subject of plan.subjects) {
		const put = (n: number) => state.packed.filter((p) => p.subject === n).reduce((sum, p) => sum + p.packs, 0);
		const done = processedJars(state, subject.n);
		const ends = plan.ends.filter((e) => e.subject === subject.n);
		const all = ends.reduce((sum, e) => sum + put(e.n), 0);
		const over = state.loads.filter((l) => l.spot === 'out' || l.spot === 'lost');
		const there = over.reduce((sum, l) => sum + (l.filled.find((f) => f.subject === subject.n)?.jars ?? 0) - (l.filled.find((f) => f.subject === subject.n)?.broken ?? 0), 0); // prettier-ignore
		const shelf = ends.find((e) => e.processed);
		const cold = ends.filter((e) => !e.processed);
		const base = {
			...still,
			about: subject.product.name,
			short: subject.product.name,
			since: state.startedAt,
			asks: 'packs',
			button: null,
			task: 'label'
		} as const;
		if (shelf && done > put(shelf.n))
			list.push({
				...base,
				key: `away-${shelf.n}`,
				kind: 'pack',
				subject: shelf.n,
				sentence: `Label ${jarWords(subject, done - put(shelf.n))}: where they will stand.`,
				hint: `They had their full process. Today they stand undisturbed; tomorrow each seal is looked at, the ring comes off, and they go dark and dry at ${sayTemperature(Math.round(canningRules.storeWarmest_C.value), plan.units)} or below.`,
				urgency: 7
			});
		const raw = there - done - (all - (shelf ? put(shelf.n) : 0));
		const [first] = cold;
		if (raw > 0 && first)
			list.push({
				...base,
				key: `cold-${first.n}`,
				kind: 'pack',
				subject: first.n,
				sentence: `${capital(jarWords(subject, raw))} without their process: ${cold.map((e) => e.words).join(', or ')}.`,
				hint: `They are not canned. Within two hours of the heat into the cold; ${sayWeight(subject.portion_g, plan.units)} in each. In the freezer with room to grow: poured over into a box, or no fuller than the shoulder of the jar.`,
				urgency: 2.2
			});
	}
	const [first] = state.packed;
	if (list.length === 0 && first && allAway(plan, state))
		list.push({
			...still,
			key: 'close',
			kind: 'pack',
			about: titleOf(plan),
			short: titleOf(plan),
			subject: first.subject,
			sentence: 'All of it stands where it belongs.',
			hint: `Close the run. Between ${canningRules.coolLeast_h.value} and ${canningRules.coolMost_h.value} hours from the canner each seal is looked at, jar by jar: it stands among the looks.`,
			since: state.startedAt,
			asks: 'packs',
			button: null,
			task: 'label',
			urgency: 8.5
		});
	return list;
}
