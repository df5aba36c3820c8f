import { parseMeasure } from '$core/quantities/parse-measure';
import { readNumber } from '$core/quantities/read-number';
import type { Units } from '$core/quantities/format';
import type { Tap } from '$core/runs/kinds';
import { jarVolume_L } from '$reference/canning-rules';
import type { Typed } from './types';

/** The US cup, mL. */
const recipeCup_mL = jarVolume_L['half-pint'] * 1000;

/** What an act proposes to weigh, g; 0 where it proposes none. */
export const plannedOf = (tap: Tap | undefined): number => (tap && 'grams' in tap ? (tap.grams ?? 0) : 0);

/** What an act proposes to have measured, °C. */
export const markOf = (tap: Tap | undefined): number => (tap && 'dC' in tap ? tap.dC / 10 : 0);

/** Cups as they were typed, in mL; undefined where nothing was, or nothing that can be read. */
export function cupsOf(typed: string | undefined, cup_mL: number): number | undefined {
	const text = typed?.trim() ?? '';
	const number = readNumber(text);
	if (!number || text.slice(number.length).replace(/^\s*(cups?|c)?\.?$/i, '') !== '') return undefined;
	const mL = Math.round(number.value * cup_mL);
	return mL >= 1 && mL <= 100_000 ? mL : undefined;
}

/** The tap of an act with what was typed for it; undefined where that cannot be read, or is still missing. */
export function saidTap(tap: Tap, typed: Typed, units: Units, cup_mL: number): Tap | undefined {
	const grams = Math.round(typed.grams ?? plannedOf(tap));
	switch (tap.type) {
		case 'weigh':
		case 'ice':
		case 'part-ready':
			return { ...tap, grams };
		// What should be on it is no weighing.
		case 'scale':
		case 'tray-weighed':
		case 'tray-filled':
			return typed.grams === undefined ? undefined : { ...tap, grams: Math.round(typed.grams) };
		case 'load': {
			if (!typed.cups?.trim()) return { ...tap, grams };
			const mL = cupsOf(typed.cups, cup_mL);
			// Measured, and weighed too where somebody did: what was only proposed is no weight.
			const { grams: _proposed, ...rest } = tap;
			return mL === undefined ? undefined : { ...rest, mL, ...(typed.grams === undefined ? {} : { grams }) };
		}
		case 'measured': {
			// A recipe's cup is the one that it was printed for, whatever the household's own holds.
			const mL = typed.cups?.trim() ? cupsOf(typed.cups, recipeCup_mL) : undefined;
			if (typed.cups?.trim()) return mL === undefined ? undefined : { type: 'measured', mL };
			return typed.grams === undefined ? undefined : { type: 'measured', grams };
		}
		case 'pull': {
			const mL = typed.cups?.trim() ? cupsOf(typed.cups, cup_mL) : undefined;
			if (typed.cups?.trim() && mL === undefined) return undefined;
			const { grams: _proposed, ...rest } = tap;
			return { ...rest, ...(typed.grams === undefined ? {} : { grams }), ...(mL === undefined ? {} : { mL }) };
		}
		case 'reading':
		case 'heated': {
			// What it should be is no reading.
			const C = typed.C === undefined ? undefined : parseMeasure(typed.C, 'temperature', units);
			return C === undefined ? undefined : { ...tap, dC: Math.round(C * 10) };
		}
		case 'depth': {
			const m = typed.depth === undefined ? undefined : parseMeasure(typed.depth, 'length', units);
			const mm = m === undefined ? 0 : Math.round(m * 1000);
			return mm >= 1 && mm <= 1000 ? { ...tap, mm } : undefined;
		}
		case 'milled':
			return typed.grams === undefined ? undefined : { ...tap, grams: Math.round(typed.grams) };
		case 'cooled': {
			const C = typed.C === undefined ? undefined : parseMeasure(typed.C, 'temperature', units);
			return C === undefined ? undefined : { ...tap, dC: Math.round(C * 10) };
		}
		case 'gauge': {
			if (tap.weight !== undefined) return tap;
			// A bare number would be read in one unit and meant in another: the unit stands beside the field.
			const typedAs = `${typed.pressure?.trim() ?? ''} ${typed.pressureUnit ?? 'psi'}`;
			const Pa = parseMeasure(
				/[a-z]/i.test(typed.pressure ?? '') ? (typed.pressure ?? '') : typedAs,
				'pressure',
				units
			);
			return Pa === undefined || !(Pa >= 0 && Pa <= 400_000) ? undefined : { ...tap, Pa: Math.round(Pa) };
		}
		case 'identified': {
			const words = typed.words?.trim() ?? '';
			return words === '' ? undefined : { ...tap, words };
		}
		default:
			// Whatever else is weighed: what was typed is what is said, never what was only proposed.
			return 'grams' in tap && typed.grams !== undefined ? { ...tap, grams } : tap;
	}
}
