import { canningRules } from '../../reference/canning-rules';
import { dryingModel } from '../../reference/model-rules';
import { cannerCapacity, usualCapacity, type CannerHolds } from '../canning/canner-loads';
import { daysBetween } from '../freezing/keep';
import { bagCut, moulds } from '../packing/bags';
import { sayAs } from '../quantities/dates';
import { sayCount, sayDuration, sayLength, sayVolume, sayWeight } from '../quantities/format';
import type { TestedProcess } from '../canning/find-process';
import type { CannerSpec, Equipment } from './equipment';
import type { Kitchen } from './kitchen';

/** What a thing of the kitchen changes, by an example: the figure, what it is of, and the rest in a sentence. */
export interface GearChange {
	readonly big: string;
	readonly of: string;
	readonly words: string;
	/** What must be seen to before it is used. */
	readonly warning: string | null;
}

/** Of anything, by which machines are shown. */
const shown_kg = 9;
const shownPiece = { length_m: 0.2, width_m: 0.12, height_m: 0.05 } as const;

/** A canner as many have, where nobody has counted another. */
export const usualCanner: CannerHolds = { quarts: usualCapacity('quart'), pints: null, halfPints: null };

const least = canningRules.smallestCanner;
/** Whether tested times under pressure hold for it: smaller ones come up and cool too fast. */
const underPressure = (c: CannerSpec): boolean => c.gauge !== 'none' && c.quarts >= least.value;

/**
 * The canner that a process is done in: under pressure the first with a gauge; in boiling water the first without one, else
 * any that is deep enough.
 */
export function cannerFor(kitchen: Pick<Kitchen, 'canners'>, method: TestedProcess['method']): CannerHolds {
	const pressure = kitchen.canners.find(underPressure);
	if (method === 'pressure') return pressure ?? usualCanner;
	return kitchen.canners.find((c) => c.gauge === 'none') ?? pressure ?? usualCanner;
}

/** Of the canners the gauge that the tables are read by, `none` where none may be used under pressure; null: nothing was said. */
export function gaugeOf(canners: readonly CannerSpec[]): Kitchen['gauge'] {
	const pressure = canners.filter(underPressure);
	const said = pressure.find((c) => c.gauge !== null);
	if (said) return said.gauge;
	return pressure.length > 0 || canners.length === 0 ? null : 'none';
}

/**
 * What a dial says of itself: it is tested every year, before the season.
 *
 * @param today yyyy-MM-dd
 * @returns null where there is nothing to see to
 * @source row `canning/dialTest_months` (USDA Complete Guide to Home Canning, 2015)
 */
export function dialWarning(canner: Pick<CannerSpec, 'gauge' | 'dialTested'>, today: string): string | null {
	if (canner.gauge !== 'dial') return null;
	if (canner.dialTested === null)
		return 'When was its dial last tested? One that reads too high leaves food unsafe: have it tested before it is used.';
	const days = daysBetween(canner.dialTested, today);
	if (days <= (canningRules.dialTest_months.value * 365) / 12) return null;
	return `Its dial was last tested on ${canner.dialTested}, over a year ago: have it tested before it is used, and replaced if it is more than 2 psi out.`;
}

/**
 * Whether a canner may be put into the Kitchen at all.
 *
 * @source row `canning/smallestCanner`: times hold for canners of four quarts and more
 */
export function mayBeCanner(spec: CannerSpec): { readonly reason: string; readonly instead: string } | null {
	if (spec.gauge === 'none' || underPressure(spec)) return null;
	return {
		reason: `A pressure canner holds ${least.value} quarts at the least. A smaller one comes up and cools too fast for any tested time: food from it would not be safe.`,
		instead: 'Cook in it and freeze what it makes; jars under pressure need a larger one.'
	};
}

/** What a thing of the kitchen changes there. @throws {DomainError} OUT_OF_RANGE: a figure beyond all measure */
export function gearChange(item: Equipment, kitchen: Kitchen, now: number): GearChange {
	const { units } = kitchen;
	const change = (big: string, of: string, words: string, warning: string | null = null): GearChange => ({
		big, of, words, warning
	}); // prettier-ignore
	switch (item.kind) {
		case 'dryer': {
			const { trays, trayArea_m2, leastTrays } = item.spec;
			const one = dryingModel.trayLoad_kg_m2.value * trayArea_m2 * 1000;
			return change(
				sayWeight(one * trays, units),
				'a load, cut',
				`${sayWeight(one, units)} a tray in one layer.${leastTrays > 1 ? ` Not with fewer than ${leastTrays} trays.` : ''}`
			);
		}
		case 'canner': {
			const { spec } = item;
			const quarts = cannerCapacity(spec, 'quart');
			return change(
				sayCount(quarts, 'quart'),
				'a load',
				`Or ${sayCount(cannerCapacity(spec, 'pint'), 'pint')}, or ${sayCount(cannerCapacity(spec, 'half-pint'), 'half-pint')}${spec.stacked ? ' in two layers' : ''}. ${spec.gauge === 'none' ? 'Acid food alone: low-acid food is never done in boiling water.' : `20 quarts are ${sayCount(Math.ceil(20 / quarts), 'load')}.`}`,
				mayBeCanner(spec)?.reason ?? dialWarning(spec, sayAs(now, kitchen.zone, 'yyyy-MM-dd'))
			);
		}
		case 'freeze-dryer': {
			const { load_kg, trays } = item.spec;
			return change(
				sayWeight(load_kg * 1000, units),
				'at once',
				`On ${sayCount(trays, 'tray')}: ${sayWeight((load_kg / trays) * 1000, units)} each. ${sayWeight(shown_kg * 1000, units)} are ${sayCount(Math.ceil(shown_kg / load_kg), 'batch', 'batches')}.`
			);
		}
		case 'sealer': {
			const cut = bagCut(shownPiece, item.spec.rolls_m);
			const piece = `a piece ${sayLength(shownPiece.length_m, units)} long and ${sayLength(shownPiece.height_m, units)} high`;
			return change(
				sayLength(cut.cut_m, units),
				'of roll',
				`for ${piece}${cut.roll === undefined ? '; none of its rolls is wide enough' : `, from the roll of ${sayLength(cut.roll, units)}`}. ${item.spec.chamber ? 'Liquid may go in as it is.' : 'Liquid is frozen first.'} A vacuum makes nothing safe: what was cold stays cold.`
			);
		}
		case 'mill':
		case 'grinder': {
			const { kg_h } = item.spec;
			if (kg_h === null) return change('', '', 'Say what it does in an hour, and it is reckoned with.');
			return change(
				sayDuration((shown_kg / kg_h) * 3600),
				`for ${sayWeight(shown_kg * 1000, units)}`,
				`${sayWeight(kg_h * 1000, units)} an hour.${item.kind === 'grinder' && kg_h < shown_kg / 2 ? ' Meat goes back to the cold between: two hours out, all counted.' : ''}`
			);
		}
		case 'moulds': {
			const { hollows, each_mL } = item.spec;
			const filled = moulds({ food_g: 2000, mL: each_mL, hollows, kg_per_L: 1 });
			return change(
				sayVolume((hollows * each_mL) / 1000, units),
				'at a time',
				`${sayVolume(2, units)} of purée are ${sayCount(filled.portions, 'cube')} in ${sayCount(filled.rounds, 'filling')}.`
			);
		}
	}
}
