import { canningRules } from '../../../../reference/canning-rules';
import { sayCount } from '../../../quantities/format';
import { chanceOf, type Rehearsal, type Review, type Scene, type Script } from '../../engine/rehearse';
import type { CanTap } from './act';
import { inCanner, jarsIn, loadAt, minutesOf, restOf_s, type CanLoad, type CanState } from './fold';
import { mark_Pa, Pa_psi, type CanPlan } from './plan';
import { markWords } from './say';
import { downAfter_s, gaugeOf } from './simulate';

const minute_ms = 60_000;
/** Until steam stands in a steady stream, or the water boils, in a rehearsal. */
const hot_ms = 6 * minute_ms;
/** It falls within this, and comes back within this after the heat was turned up. */
const falls_ms = 40_000;
const back_ms = 90_000;
/** So far it falls, psi. */
const dip_psi = 3;
/** Away so long when somebody just goes. */
export const away_ms = 16 * minute_ms;

export const mishaps = [
	{ id: 'fell', name: 'the heat is lost in the middle' },
	{ id: 'away', name: 'somebody calls you away' },
	{ id: 'unsealed', name: 'a jar does not seal' }
] as const;

const has = (script: Script, id: string) => script.mishaps.includes(id);
const reacted = (script: Script, what: string) => script.reactions.find((r) => r.what === what);

/** When minutes first began to count, ms; null before. */
function firstHeld(load: CanLoad): number | null {
	const [first] = load.restarts.filter((r) => r.why !== 'vent');
	if (first) return first.at - first.lost_s * 1000;
	return load.doneAt !== null ? load.doneAt - (load.held_s ?? 0) * 1000 : load.heldFrom;
}

/** At which minute of the process a mishap comes: by the seed, well within it. */
function minuteOf(plan: CanPlan, load: CanLoad, script: Script, id: string): number {
	const minutes = minutesOf(plan, load);
	if (id === 'away' && minutes > 25) return 20;
	const share = id === 'away' ? 0.75 : 0.25 + 0.35 * chanceOf(script.seed, id);
	return Math.max(1, Math.round(minutes * share));
}

const whenOf = (plan: CanPlan, load: CanLoad, script: Script, id: string): number | null => {
	const from = firstHeld(load);
	return from === null || !has(script, id) ? null : from + minuteOf(plan, load, script, id) * minute_ms;
};

/** The stretch in which the heat was truly lost, ms: until somebody turned it up. Null where it was not. */
export function lostWhile(plan: CanPlan, load: CanLoad, script: Script): { from: number; to: number } | null {
	const at = whenOf(plan, load, script, 'fell');
	if (at === null) return null;
	const up = script.reactions.find((r) => r.what === 'heat-up' && r.at >= at);
	return { from: at + falls_ms / 2, to: up ? up.at + back_ms : Infinity };
}

/** What the gauge truly shows. */
function truth_Pa(plan: CanPlan, load: CanLoad, script: Script, now: number): number {
	const by = gaugeOf(plan, load, now);
	const lost = lostWhile(plan, load, script);
	if (!lost || now < lost.from || now >= lost.to || !['up', 'hold'].includes(load.spot)) return by;
	return Math.max(0, mark_Pa(plan) - dip_psi * Pa_psi);
}

const nothing: Scene = { words: '', loud: false, gauge_Pa: null, choices: [], over: false };

function scene(plan: CanPlan, state: CanState, script: Script, now: number): Scene {
	const load = loadAt(state, inCanner);
	if (!load) return after(plan, state, script, now);
	const pressure = plan.heat === 'pressure';
	const gauge_Pa = pressure ? truth_Pa(plan, load, script, now) : null;
	const base = { ...nothing, gauge_Pa };
	const lost = lostWhile(plan, load, script);
	const below = lost && now >= lost.from && now < lost.to && ['hold', 'up', 'heat'].includes(load.spot);
	const called = whenOf(plan, load, script, 'away');
	if (called !== null && now >= called && !script.reactions.some((r) => r.what.startsWith('away-')) && load.spot === 'hold')
		return {
			...base,
			loud: true,
			words: 'Somebody calls: you are wanted at the gate, for a quarter of an hour.',
			choices: [
				{ what: 'away-handed', label: 'Ask somebody who can to stay with it' },
				{ what: 'away-off', label: 'Heat off first, then go' },
				{ what: 'away-went', label: 'Go: it runs by itself' }
			]
		};
	if (below) {
		const turned = script.reactions.some((r) => r.what === 'heat-up' && lost && r.at >= lost.from - falls_ms);
		return {
			...base,
			loud: true,
			words: pressure
				? `The burner flickers; the gauge sinks below ${markWords(plan)}.`
				: 'The burner flickers; the water goes quiet.',
			choices: turned ? [] : [{ what: 'heat-up', label: 'Turn the heat up' }]
		};
	}
	switch (load.spot) {
		case 'heat': {
			const hot = now - load.since >= (load.restarts.length > 0 ? back_ms : hot_ms);
			if (pressure)
				return { ...base, words: hot ? 'Steam comes from the vent in a steady stream.' : 'Wisps of steam, on and off.' };
			return { ...base, words: hot ? 'It boils, full and rolling.' : 'Bubbles at the edge, no boil yet.' };
		}
		case 'vent':
			return { ...base, words: 'Steam roars from the vent.' };
		case 'up':
			return { ...base, words: plan.canner.gauge === 'weighted' ? weightWords(plan, gauge_Pa ?? 0) : 'The needle climbs.' };
		case 'hold':
			return { ...base, words: pressure ? (plan.canner.gauge === 'weighted' ? weightWords(plan, gauge_Pa ?? 0) : 'The needle stands.') : 'It boils on, the lids are covered.' };
		case 'down':
			return { ...base, words: (gauge_Pa ?? 0) > 0 ? 'It ticks and cools; there is pressure in it.' : 'The gauge is at 0; nothing hisses.' };
		case 'rest':
			return { ...base, words: 'Still hot inside.' };
		default:
			return base;
	}
} // prettier-ignore

const weightWords = (plan: CanPlan, Pa: number): string =>
	Pa >= mark_Pa(plan) ? 'The weight moves as it should.' : 'The weight hisses and lies still.';

/** The jars are out: the next day comes, and somebody presses the lids. */
function after(plan: CanPlan, state: CanState, script: Script, now: number): Scene {
	const out = state.loads.findLast((l) => l.spot === 'out' || l.spot === 'lost');
	if (!out) return nothing;
	if (out.spot === 'lost' || out.doneAt === null)
		return { ...nothing, words: 'These jars had no process: fridge or freezer.', over: true };
	if (!reacted(script, 'next-day'))
		return {
			...nothing,
			words: 'The jars stand on the towel. Some ping.',
			choices: [
				{ what: 'next-day', label: 'Let them stand, until tomorrow' },
				{ what: 'tighten', label: 'Tighten the rings now' }
			]
		};
	if (!has(script, 'unsealed') || script.reactions.some((r) => r.what.startsWith('seal-')))
		return { ...nothing, words: 'Every other lid is down and holds.', over: true };
	const jar = 1 + Math.floor(chanceOf(script.seed, 'jar') * jarsIn(out));
	return {
		...nothing,
		loud: true,
		words: `Next day. Ring off, the lid pressed: that of jar ${jar} gives. ${now > 0 ? 'What becomes of it?' : ''}`,
		choices: [
			{ what: 'seal-fridge', label: 'Into the fridge' },
			{ what: 'seal-freezer', label: 'Into the freezer, with room to grow' },
			{ what: 'seal-again', label: 'Again with a new lid, the full time, today' },
			{ what: 'seal-shelf', label: 'Press it down and onto the shelf' }
		]
	};
}

/** What the gauge tells of itself: once a minute while there is pressure; nothing where a person reads it. */
function reads(plan: CanPlan, state: CanState, script: Script, now: number): readonly CanTap[] {
	const load = loadAt(state, ['up', 'hold', 'down']);
	if (!load || !plan.instrument) return [];
	const last = load.readings.at(-1)?.at ?? load.ventTo ?? load.since;
	const Pa = Math.max(0, Math.round(truth_Pa(plan, load, script, now)));
	const turned = load.spot === 'hold' ? Pa < mark_Pa(plan) : load.spot === 'up' && Pa >= mark_Pa(plan);
	if (now - last < minute_ms && !turned) return [];
	return [{ type: 'gauge', load: load.n, Pa, least_Pa: Pa }];
}

function review(plan: CanPlan, state: CanState, script: Script): Review {
	const right: string[] = [];
	const unsafe: string[] = [];
	const mended: string[] = [];
	const pressure = plan.heat === 'pressure';
	for (const subject of plan.subjects) {
		const own = state.loads.flatMap((l) => l.filled.filter((f) => f.subject === subject.n));
		if (own.length === 0) continue;
		if (subject.acid) right.push(`Acid went into every jar of ${subject.product.name}, before the food.`);
		if (state.printed[subject.n] === 'no') unsafe.push(`Something else was in ${subject.product.name}: no tested time is for that.`);
	}
	for (const load of state.loads) {
		const name = `Load ${load.n}`;
		const minutes = minutesOf(plan, load);
		const lost = lostWhile(plan, load, script);
		for (const r of load.restarts) {
			if (r.why === 'vent') mended.push(`${name}: the vent was closed after ${Math.floor(r.lost_s / 60)} minutes, and then vented for ten.`);
			else if (r.why === 'early') mended.push(`${name}: the heat went off too early; nothing of that counted.`);
			else mended.push(`${name}: ${r.lost_s < 60 ? 'hardly begun' : `after ${Math.round(r.lost_s / 60)} minutes`}, the heat was lost, and the full time began again.`);
		}
		if (load.ventFrom !== null && load.lidAt !== null && load.ventFrom - load.lidAt < hot_ms && load.restarts.every((r) => r.why === 'vent'))
			unsafe.push(`${name}: venting was counted before the steam stood in a steady stream: there is air left in the canner, and it is colder than its gauge says.`);
		const first = firstHeld(load);
		if (!pressure && first !== null && load.lidAt !== null && first - load.lidAt < hot_ms)
			unsafe.push(`${name}: the minutes were counted before the full boil.`);
		if (load.doneAt === null) continue;
		const from = load.doneAt - (load.held_s ?? 0) * 1000;
		if (lost && lost.from < load.doneAt && lost.to > from)
			unsafe.push(`${name}: the ${pressure ? 'pressure was below the mark' : 'boil was lost'} in the middle, and the clock ran on. These jars would not be safe.`);
		else right.push(`${name}: held for all of its ${minutes} minutes${pressure ? ` at ${markWords(plan)}` : ''}.`);
		if (pressure && load.ventFrom !== null) right.push(`${name}: vented for ten minutes.`);
		if (load.words.some((w) => w.word === 'yes') && reacted(script, 'away-went'))
			unsafe.push(`${name}: nobody was there, and it was said that somebody watched. What nobody saw counts for nothing.`);
		if (pressure && load.restAt !== null && load.restAt - load.doneAt < downAfter_s * 1000)
			unsafe.push(`${name}: it was taken for 0 while there was pressure in it: scalding steam, and a process cut short.`);
		else if (load.outAt !== null && load.restAt !== null && load.outAt - load.restAt < restOf_s(plan) * 1000)
			unsafe.push(`${name}: opened too early: scalding steam, and jars that lose their liquid.`);
		else if (load.outAt !== null) right.push(`${name}: it came down by itself and had its wait.`);
	}
	if (reacted(script, 'away-handed'))
		if (state.handed.length > 0) right.push('Called away, it was handed over by name.');
		else mended.push('Called away, somebody stayed with it: say who, so that it stands in the log.');
	if (reacted(script, 'away-went')) unsafe.push('A canner under heat was left alone.');
	if (reacted(script, 'away-off')) right.push('Called away with nobody there, the heat went off first.');
	if (reacted(script, 'tighten')) unsafe.push('Rings tightened on hot jars break the seal that is forming.');
	for (const what of ['fridge', 'freezer', 'again'])
		if (reacted(script, `seal-${what}`)) right.push('The jar that had not sealed was kept from the shelf.');
	if (reacted(script, 'seal-shelf')) unsafe.push('An unsealed jar went onto the shelf: it spoils, and in low-acid food botulism gives no sign.');
	const jars = state.loads.reduce((sum, l) => sum + jarsIn(l), 0);
	if (jars > 0 && !reacted(script, 'tighten') && reacted(script, 'next-day'))
		right.push(`${sayCount(jars, 'jar')} stood undisturbed for ${canningRules.coolLeast_h.value} hours and more.`);
	const once = (list: readonly string[]) => [...new Set(list)];
	return { right: once(right), unsafe: once(unsafe), mended: once(mended) };
} // prettier-ignore

/** The canner gone through dry. */
export const rehearsal: Rehearsal<CanPlan, CanState, CanTap> = { mishaps, scene, reads, review };
