import { canningRules } from '../../../../reference/canning-rules';
import { sayCount, sayHeadspace, sayLength, sayTemperature, sayWeight } from '../../../quantities/format';
import { capital, still, titleOf, type CanAct, type CanTap } from './act';
import {
	expectedJars,
	fullAt,
	fullness,
	inCanner,
	jarsIn,
	loadAt,
	minutesOf,
	type CanLoad,
	type CanState
} from './fold';
import type { CanPlan, CanSubject } from './plan';
import { acidNames, acidOf, acidsOf, jarWords, loadWords, markWords } from './say';

export function settleAct(plan: CanPlan, state: CanState): CanAct[] {
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

export function readyActs(plan: CanPlan, state: CanState): CanAct[] {
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

export function printedActs(plan: CanPlan, state: CanState): CanAct[] {
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
export function weighActs(plan: CanPlan, state: CanState): CanAct[] {
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

export function fillActs(plan: CanPlan, state: CanState, now: number): CanAct[] {
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
