import { createHash } from 'node:crypto';
import { weightShare } from '$core/drying/page-curve';
import { slots } from '$core/runs/kinds/dry/board';
import { foldRun, kindOf } from '$core/runs/kinds';
import { loadAt } from '$core/runs/kinds/can/fold';
import { gaugeOf } from '$core/runs/kinds/can/simulate';
import { hoursOn, wet_g } from '$core/runs/kinds/dry/tray';
import { subjectOf } from '$core/runs/kinds/dry/plan';
import type { Stores } from '../stores';
import type { InstrumentRow } from '../stores/instruments';

/** Between 0 and 1, always the same for a text. */
const chance = (text: string): number => createHash('sha256').update(text).digest().readUInt32BE(0) / 2 ** 32;
/** About a normal: twelve of them less six. */
const normal = (text: string): number =>
	Array.from({ length: 12 }, (_, i) => chance(`${text} ${i}`)).reduce((a, b) => a + b, -6);

/** How far the simulated food of a run is from what the table says: standard deviation of the logarithm. */
const spread = { load: 0.15, tray: 0.07 } as const;
/** A freezer's air swings so far about −18 °C, as its thermostat goes, °C, in so many minutes. */
const freezer = { mean_C: -18, swing_C: 1.2, minutes: 38 } as const;
const room_C = 21;

/**
 * What a simulated instrument would have before it now, in g, °C or Pa: the tray that is to be weighed next, lighter as its
 * water goes; what waits to be weighed; the air of dryer and freezer; the gauge of a canner.
 */
export async function truthOf(
	stores: Stores,
	instrument: InstrumentRow,
	now: Date
): Promise<{ value: number; unit: string }> {
	const at = now.getTime();
	const runs = await stores.runs.open();
	const states = runs.map((run) => ({ run, state: foldRun(run.plan, run.startedAt, run.events) }));
	if (instrument.quantity === 'gauge-pressure') {
		for (const { run, state } of states) {
			if (run.plan.kind !== 'can' || run.plan.instrument?.id !== instrument.id || !('printed' in state)) continue;
			const load = loadAt(state, ['up', 'hold', 'short', 'down']);
			if (load) return { value: Math.round(gaugeOf(run.plan, load, at)), unit: 'Pa' };
		}
		return { value: 0, unit: 'Pa' };
	}
	if (instrument.quantity === 'temperature') {
		if (instrument.watch === 'dryer') {
			const on = states.find(({ run, state }) => run.plan.kind === 'dry' && 'power' in state && state.power.on);
			return { value: on && 'air_C' in on.run.plan ? on.run.plan.air_C : room_C, unit: 'C' };
		}
		const phase = (at / 60_000 / freezer.minutes) * 2 * Math.PI;
		return { value: instrument.watch === 'basin' ? 4 : freezer.mean_C + freezer.swing_C * Math.sin(phase), unit: 'C' };
	}
	for (const { run, state } of states) {
		const { plan } = run;
		const act = kindOf(plan)
			.acts(plan, state, at)
			.find((a) => a.asks === 'weight' || a.asks === 'load');
		const tap = act?.button?.tap;
		if (tap?.type === 'weigh' || tap?.type === 'load')
			return {
				value: (tap.grams ?? 0) * (0.96 + 0.08 * chance(`${run.id} ${act?.key}`)) + instrument.tareG,
				unit: 'g'
			};
		if (plan.kind !== 'dry' || !('power' in state)) continue;
		const next = slots(plan, state, at)
			.filter((s) => s.tray && s.at !== null)
			.sort((a, b) => (a.at ?? 0) - (b.at ?? 0))[0]?.tray;
		const subject = next && subjectOf(plan, next.subject);
		const wet = next && wet_g(plan, next);
		if (!next || !subject || !wet) continue;
		const off = spread.load * normal(`${run.id} ${subject.n}`) + spread.tray * normal(`${run.id} tray ${next.tray}`);
		const { hours, moistureIn, moistureOut } = subject.forecast;
		const share = weightShare({ t_h: hoursOn(next, at), end_h: hours * Math.exp(off), moistureIn, moistureOut });
		return { value: wet * share + instrument.tareG, unit: 'g' };
	}
	return { value: 0, unit: 'g' };
}
