import { type BlanchRow, type CutRow, type Range } from '../../reference/tables';
import { parts } from '../../reference/breakdown';
import { sources } from '../../reference/sources';
import { mustBePositive } from '../errors';
import { blanchLine } from '../heat/blanch-line';
import { coolsFor_s } from '../heat/cool-pot';
import { cutOf } from '../foods/cuts';
import { shareLeft } from '../foods/share';
import { blanchedMonths } from '../freezing/freeze-look-up';
import { styleSteps, stylesOf, type PackStyleId } from '../packing/pack-style';
import { advise } from '../safety/advise';
import { isMeat } from '../safety/dry';
import { refuse } from '../safety/refuse';
import { blanchRowsOf } from '../safety/freeze';
import { sayCount, sayMinutes, sayVolume, sayWeight } from '../quantities/format';
import type { Thing } from '../things/thing';
import type { Kitchen, KitchenPot } from './kitchen';
import { isMixture, mixtureFreezeWays } from './mixture-ways';
import { build, styleOf } from './freeze-build';
import type { FreezeWay, RefusedWay, Ways, WaysInput } from './freeze-way';
import { sugared } from './sugar-way';

export type { FreezeWay, RefusedWay, WayChoices, Ways, WaysInput } from './freeze-way';

/** 100 g a person, in whole fifties: a side dish (common practice). */
export const usualPortion_g = (people: number): number => Math.max(100, Math.round((people * 100) / 50) * 50);

/**
 * Every way of freezing an item with one cut, side by side, for the whole of it in this kitchen. Refused ways stay.
 *
 * @throws {DomainError} UNKNOWN_CUT, NOT_POSITIVE, OUT_OF_RANGE
 */
export function freezeWays(input: WaysInput): Ways {
	const { thing, kitchen, choices } = input;
	const { food } = thing;
	mustBePositive(input.grams, 'grams');
	if (isMixture(thing)) return mixtureFreezeWays(input, freezeWays);
	const portion_g = choices.portion_g ?? usualPortion_g(kitchen.people);
	if (food.cuts.length === 0) {
		const advice = advise(thing, 'freeze-raw');
		const refusal = advice.kind === 'refused' ? advice : refuse('kept-only', { food });
		return {
			food,
			cut: null,
			portion_g,
			styles: [],
			style: 'tray',
			ways: [{ ...refusal, id: 'raw', becomes: 'raw', name: 'Freeze', gist: 'as its row says' }]
		};
	}
	const cut = cutFor(thing, choices.cut);
	const rows = blanchRowsOf(cut);
	const styles = stylesOf(cut, kitchen.moulds);
	const style = styleOf(cut, input);
	const ways: (FreezeWay | RefusedWay)[] = [];
	// The safety module has its say on each way before anything is worked out.
	const may = (way: 'freeze-blanched' | 'freeze-cooked') => advise(thing, way, { cut: cut.id }).kind === 'allowed';
	if (may('freeze-blanched'))
		for (const row of rows) {
			const way = blanched(input, cut, row, rows, portion_g);
			ways.push(way);
			if (row.dip && way.kind === 'way') ways.push(soaked(way));
		}
	if (cut.cookFirst && may('freeze-cooked')) ways.push(cooked(input, cut, cut.cookFirst, portion_g));
	if (!rows.some((r) => r.dip)) {
		ways.push(raw(input, cut, portion_g));
		const sweet = sugared(input, cut, portion_g);
		if (sweet) ways.push(sweet);
	}
	return { food, cut, portion_g, styles, style, ways };
}

/**
 * What comes in cut already is kept as it is cut. A part of an animal that is none of the table's cuts has its own name, freezes
 * like the thickest of them and keeps no longer than the shortest: belly is no chop, and bones are none.
 */
function cutFor({ food, form }: Thing, asked: string | undefined): CutRow {
	const own = food.cuts.find((c) => c.id === form);
	const part = !own && isMeat(food) && !food.forms.some((f) => f.id === form);
	const [thickest] = part ? [...food.cuts].sort((a, b) => b.firstLook_h.value - a.firstLook_h.value) : [];
	const [shortest] = part ? [...food.cuts].sort((a, b) => monthsOf(a) - monthsOf(b)) : [];
	// A leg or a loin is a roast, with its months; what is thin, fat or bone keeps no longer than the shortest.
	const roast = parts.some(
		(p) => ['roast', 'chops', 'steaks'].includes(p.pack) && (p.form === form || p.boned === form)
	);
	if (thickest && shortest && (asked === undefined || asked === thickest.id))
		return { ...thickest, name: form, raw: (roast ? thickest : shortest).raw };
	return cutOf(food, asked ?? own?.id ?? food.cuts[0]?.id ?? '');
}
const monthsOf = ({ raw }: CutRow): number => ('months' in raw ? raw.months[1] : Infinity);

function choosePot(kitchen: Kitchen, potId?: string): KitchenPot | undefined {
	return kitchen.pots.find((p) => p.id === potId) ?? [...kitchen.pots].sort((a, b) => b.litres - a.litres)[0];
}

function blanched(
	input: WaysInput,
	cut: CutRow,
	row: BlanchRow,
	rows: BlanchRow[],
	portion_g: number
): FreezeWay | RefusedWay {
	const { kitchen } = input;
	const { food } = input.thing;
	const pot = choosePot(kitchen, input.choices.potId);
	const id = `blanch:${row.id.split('/')[1]}`;
	const several = rows.filter((r) => r.method === row.method).length > 1;
	const name = row.dip
		? 'Skin, then freeze'
		: `${row.method === 'steam' ? 'Steam' : 'Blanch'} + freeze${several ? `, ${row.cut.split(',')[0]}` : ''}`;
	const words = blanchWords(row, kitchen.altitude_m ?? 0);
	const becomes = row.dip ? 'skin' : row.method === 'steam' ? 'steam' : 'blanch';
	if (kitchen.altitude_m === null) {
		return {
			kind: 'refused',
			id,
			becomes,
			name,
			gist: row.cut,
			reason: 'The altitude of this kitchen is not known yet, and from 5,000 ft the blanching time is longer.',
			source: sources[row.source].title,
			instead: ['Say the altitude in the Kitchen: it takes a moment and every time hangs on it']
		};
	}
	if (!pot) {
		return {
			kind: 'refused',
			id,
			becomes,
			name,
			gist: row.cut,
			reason: 'There is no pot in the Kitchen yet, so potfuls and times cannot be worked out.',
			source: sources[row.source].title,
			instead: ['Add a pot with its litres and burner in the Kitchen']
		};
	}
	const as = row.blanchedAs ? (food.cuts.find((c) => c.id === row.blanchedAs?.cut) ?? cut) : cut;
	const load_g = Math.round(input.grams * shareLeft(input.thing, as));
	const line = blanchLine({
		food,
		cut: as,
		row,
		load_kg: load_g / 1000,
		pot,
		altitude_m: kitchen.altitude_m,
		basins: Math.max(1, kitchen.basins),
		tap_C: kitchen.tap_C,
		food_C: input.food_C,
		...(input.choices.smaller ? { smaller: true } : {})
	});
	const notes: string[] = [];
	if (row.note) notes.push(row.note);
	if (row.chillNote) notes.push(row.chillNote);
	if (line.reboilLate) {
		notes.push(
			'The burner may need over a minute to bring a full potful back to the boil. The clock starts at the boil all the same; smaller potfuls keep it within the published minute.'
		);
	}
	if (line.altitudeExtra_s > 0) notes.push('One minute longer, since this kitchen is at 5,000 ft or above.');
	if (line.chill_s > line.blanch_s[1] + 1)
		notes.push(
			`Thick pieces: the published chill is as long as the blanch, but the centre takes about ${Math.round(line.chill_s / 60)} min to 15 °C in ice water.`
		);
	const heat =
		row.method === 'steam'
			? 'Bring the water under the steamer to a strong boil'
			: `Bring ${sayVolume(line.water_L, kitchen.units)} of water to a rolling boil`;
	const steps = [
		preparing(cut, 'water'),
		`${heat}; have the ice ready.`,
		`${sayCount(line.potfuls, 'potful')} of ${sayWeight(line.potful_kg * 1000, kitchen.units)}: ${words}${row.dip ? '' : row.method === 'steam' ? ', from the lid closing on strong steam' : ', counted from the return to the boil'}.`,
		`Into the ice ${sayMinutes([line.chill_s / 60, line.chill_s / 60].map((m) => Math.round(m * 2) / 2) as unknown as Range)}, until cold to the centre${row.dip ? '; slip the skins off' : ''}.`,
		...(row.blanchedAs ? ['Cut the kernels from the cold ears.'] : []),
		'Drain, pat dry.',
		...freezeSteps(cut, input)
	];
	return build(input, cut, {
		id,
		becomes,
		name,
		method: row.method,
		gist: `${words.split(',')[0]}, ${row.dip ? 'cold water, peel' : 'ice'}, ${gistOf[styleOf(cut, input)]}`,
		load_g,
		row,
		pot,
		line,
		portion_g,
		blanchWords: words,
		months: blanchedMonths(),
		steps,
		notes,
		source: sources[row.source].short,
		confidence: row.confidence,
		hotWork: true
	});
}

function blanchWords(row: BlanchRow, altitude_m: number): string {
	const extra = !row.dip && altitude_m >= 1524 ? 1 : 0;
	const time = sayMinutes([row.minutes[0] + extra, row.minutes[1] + extra]);
	return `${time}${row.endPoint ? `, ${row.endPoint}` : ''}${row.method === 'steam' ? ' in steam' : ''}`;
}

const gistOf: Readonly<Record<PackStyleId, string>> = {
	tray: 'tray, bag',
	flat: 'bag, flat',
	wrap: 'wrap',
	mould: 'moulds, bag',
	liquid: 'boxes'
};

const freezeSteps = (cut: CutRow, input: WaysInput): string[] =>
	styleSteps(styleOf(cut, input), cut.firstLook_h.value, input.kitchen.moulds, cut, input.kitchen.units);

function cooked(
	input: WaysInput,
	cut: CutRow,
	cook: NonNullable<CutRow['cookFirst']>,
	portion_g: number
): FreezeWay | RefusedWay {
	const pot = choosePot(input.kitchen, input.choices.potId);
	const words = cook.untimed ? 'no time is published; cook until just tender' : 'cooked until tender';
	const note = cut.blanch
		? 'Cooking in the pan does the work of blanching.'
		: cook.untimed
			? 'No published blanching time exists for this cut, so none is shown: you judge it, the clock only counts up.'
			: 'The published list cooks this food instead of blanching it.';
	return build(input, cut, {
		id: 'cook',
		becomes: 'cook',
		name: 'Cook first, then freeze',
		method: 'cook',
		gist: `${cook.words.split('. ')[0]}.`.replace('..', '.'),
		load_g: Math.round(input.grams * shareLeft(input.thing, cut)),
		portion_g,
		blanchWords: words,
		months: cook.months,
		...(pot ? { pot } : {}),
		steps: [
			preparing(cut, 'cook'),
			cook.words,
			'Cool quickly in cold water or spread on a tray, drain, pat dry.',
			...freezeSteps(cut, input)
		],
		notes: [note],
		source: sources[cook.source].short,
		confidence: cook.confidence,
		hotWork: true
	});
}

function raw(input: WaysInput, cut: CutRow, portion_g: number): FreezeWay | RefusedWay {
	const { food } = input.thing;
	const cooked = food.group === 'dish' || food.group === 'stock';
	const name = cooked ? 'Cool fast, then freeze' : food.perishable ? 'Wrap and freeze' : 'Freeze raw';
	const advice = advise(input.thing, 'freeze-raw', { cut: cut.id });
	if (advice.kind === 'refused') return { ...advice, id: 'raw', becomes: 'raw', name, gist: 'no heat' };
	const rule = cut.raw;
	if (rule.kind === 'refused') throw new Error(`${food.id}: refused by its row and allowed by the rules`);
	const short = rule.kind === 'short';
	const words = cooked ? 'cooked already' : food.perishable ? 'none: it is frozen raw' : 'none needed';
	return build(input, cut, {
		id: 'raw',
		becomes: 'raw',
		name,
		method: 'raw',
		gist: short
			? 'no blanching, soon used'
			: cooked
				? 'cold within six hours'
				: food.perishable
					? 'straight into the cold'
					: 'no blanching needed',
		load_g: Math.round(input.grams * shareLeft(input.thing, cut)),
		portion_g,
		blanchWords: short ? 'not blanched: use it soon' : words,
		months: rule.months,
		steps: [
			preparing(cut, 'raw'),
			...(food.perishable ? [] : ['Pat dry: water left on becomes ice.']),
			...freezeSteps(cut, input)
		],
		notes: [rule.why],
		source: sources[rule.source].short,
		confidence: rule.confidence,
		hotWork: false,
		cool_s: coolsFor_s(food, input.grams)
	});
}

/** The skins come off after a stand in water off the heat: common practice, for which no time is printed, so none is shown. */
function soaked(dip: FreezeWay): FreezeWay {
	return {
		...dip,
		id: dip.id.replace('blanch:', 'soak:'),
		becomes: 'soak',
		name: 'Skin by soaking, then freeze',
		gist: dip.gist.replace(/^[^,]*/, 'off the heat till skins slip'),
		soak: true,
		blanchWords: 'no time is printed: until the skins slip',
		steps: dip.steps.map((step, i) =>
			i === 2
				? step.replace(/: .*/, ': into the boiling water, off the heat, lid on, until a skin slips when it is pinched.')
				: step
		),
		notes: ['Common practice; the printed way is the short dip.'],
		source: 'common practice',
		confidence: 'practice'
	};
}

/** How a cut is made ready for a way; what is frozen raw is never told to blanch first. */
export function preparing(cut: CutRow, method: FreezeWay['method']): string {
	return (method === 'raw' ? cut.prepareRaw : undefined) ?? cut.prepare ?? 'Wash and cut evenly.';
}
