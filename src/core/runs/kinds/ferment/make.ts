import { fermentOf, fermentRules, type FermentRow } from '../../../../reference/fermenting';
import { jarVolume_L } from '../../../../reference/canning-rules';
import { sources } from '../../../../reference/sources';
import type { Refusal } from '../../../errors';
import { fermentDays, saltFor } from '../../../fermenting/salt';
import { shareLeft } from '../../../foods/share';
import { sayLength } from '../../../quantities/format';
import { advise } from '../../../safety/advise';
import type { Thing } from '../../../things/thing';
import { coreVersion } from '../../../version';
import type { Kitchen } from '../../../ways/kitchen';
import type { FermentPlan } from './plan';

export interface FermentChosen {
	readonly thing: Thing;
	readonly called: string;
	readonly lotId: string;
	readonly raw_g: number;
	readonly way: 'dry' | 'brine';
	/** The middle of what is printed without it. */
	readonly percent?: number;
	readonly place: { readonly id: string; readonly name: string; readonly C: number };
}

/** What a thing may be fermented by; nothing where it has no row. */
export const fermentRowOf = (thing: Thing): FermentRow | undefined =>
	(thing.state === 'fresh' || thing.state === 'prepared') && (thing.madeOf?.length ?? 0) <= 1
		? fermentOf(thing.food.id)
		: undefined;

/**
 * Freezes a ferment into the plan of a run.
 *
 * @returns the plan; or why it is not begun: no row for it, too weak, too warm or too cold where it is to stand
 * @throws {DomainError} NOT_POSITIVE
 */
export function planFerment(chosen: FermentChosen, kitchen: Kitchen): FermentPlan | Refusal {
	const { thing, called, lotId, raw_g, way, place } = chosen;
	const row = fermentRowOf(thing);
	const advice = advise(thing, 'ferment', { salt: 'full' });
	if (advice.kind === 'refused') return advice;
	if (!row)
		return {
			kind: 'refused',
			reason: `No salt and no days are carried for ${called} in a ferment.`,
			source: sources.usdaCanning2015.title,
			instead: ['Cabbage, cucumbers, carrots, beets, radishes, turnips and others have theirs', 'A pickle in vinegar by a tested recipe']
		}; // prettier-ignore
	const [cut] = thing.food.cuts;
	const load_g = Math.max(1, Math.round(raw_g * (cut ? shareLeft(thing, cut) : 1)));
	const salted = saltFor({
		row,
		way,
		vegetable_g: load_g,
		...(chosen.percent === undefined ? {} : { percent: chosen.percent })
	});
	if (salted.kind === 'refused') return salted;
	const time = fermentDays(row, place.C);
	if (time.kind === 'refused') return time;
	const jar = kitchen.containers.find((c) => c.kind === 'jar' && c.volume_mL >= 900);
	// Cutting, salting, pressing: about six minutes to the kilo (common practice).
	const hands_s = 1200 + (raw_g / 1000) * 360;
	return {
		core: coreVersion,
		kind: 'ferment',
		version: 1,
		units: kitchen.units,
		place,
		subjects: [
			{
				n: 1,
				lotId,
				raw_g,
				food: { id: thing.food.id, name: called },
				form: thing.form,
				load_g,
				portion_g: Math.round(jarVolume_L.quart * 900),
				portionWords: '1 quart',
				container: jar ? { id: jar.id, name: jar.name } : null,
				months: [0, 0],
				use: `Ready in ${time.days[0]} to ${time.days[1]} days: ${row.ready} Then in the fridge, under its brine.`,
				source: `${sources[row.source].short} (${row.confidence})`,
				cautions: [
					...(time.warning ? [time.warning] : []),
					...(salted.warning ? [salted.warning] : []),
					...(row.mind ? [row.mind] : []),
					'Mould with threads, pink or slimy brine, a foul smell: out with all of it, untasted. A flat white film is skimmed.',
					'Only kraut and dills have a tested canning time; everything else stays in the cold.'
				],
				byproducts: [],
				expected: { hands_s, elapsed_s: hands_s },
				way,
				percent: salted.percent,
				water: salted.water_g / load_g,
				cut: row.cut,
				days: time.days,
				between: time.between,
				ready: row.ready,
				cold_weeks: row.cold_weeks,
				over: sayLength(fermentRules.overLeast_m.value, kitchen.units)
			}
		]
	};
}
