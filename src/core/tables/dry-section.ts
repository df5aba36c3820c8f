import type { Thing } from '../things/thing';
import { lookUpDrying } from '../drying/dry-look-up';
import { sayAmount } from '../quantities/amount';
import type { Units } from '../quantities/format';
import { recipesOf } from '../recipes/find-recipe';
import { dryingRows, type DryingRow } from '../../reference/other-ways';
import { figureLine, from, lineOf, type Draft, type Line, type Section } from './line';

/** The numbers of one drying row. */
export function dryingLines(row: DryingRow, units: Units): Line[] {
	const key = `drying/${row.id}`;
	const { note: _told, ...sure } = from(row);
	const note = [row.note, row.second].filter(Boolean).join(' ');
	const draft = (slot: string, what: string, value: Draft['value'], unit: Draft['unit'], at?: string): Line =>
		// What is to be said of the row stands once, by its hours.
		lineOf(
			{
				key: `${key}/${slot}`,
				slot: `dry/${slot}`,
				what,
				group: row.cut,
				value,
				unit,
				at,
				...sure,
				...(slot === 'hours' ? { note } : {})
			},
			units
		);
	const timed = (range: readonly [number, number], slot: string, what: string) =>
		range[1] < 1
			? draft(slot, what, [range[0] * 60, range[1] * 60], 's')
			: draft(slot, what, [range[0], range[1]], 'min');
	return [
		draft('hours', 'Dry', [row.hours[0], row.hours[1]], 'h', row.test),
		...(row.thickness_in
			? [
					draft(
						'thickness',
						'Cut',
						[row.thickness_in[0], row.thickness_in[1]],
						'in',
						'the piece that the hours are for'
					)
				]
			: []),
		draft('F', 'Air of the dryer', [row.F[0], row.F[1]], 'F'),
		...(row.steam_min ? [timed(row.steam_min, 'steam', 'First steam')] : []),
		...(row.water_min
			? [timed(row.water_min, 'water', row.dip ? 'First dip in boiling water' : 'First blanch in water')]
			: [])
	];
}

export function drySection(thing: Thing, units: Units): Section {
	const { food } = thing;
	const answer = lookUpDrying({ thing });
	if (answer.kind === 'refused')
		return { way: 'dry', lines: [], words: [], recipes: [], refusal: answer, cautions: [] };
	const { rehydrate, yields, odour } = answer;
	if (answer.rows.length === 0 && !rehydrate) return { way: 'dry', lines: [], words: [], recipes: [], cautions: [] };
	const heat = answer.heat.flatMap((step) =>
		step.F === undefined
			? []
			: [
					lineOf(
						{
							key: `heat-steps/${step.id}/F`,
							slot: `dry/${step.id}`,
							what: step.id === 'dry-meat-air' ? 'Air, at least' : 'First: heated inside to',
							value: step.F,
							unit: 'F',
							at: step.words,
							...from(step)
						},
						units
					)
				]
	);
	const after: Draft[] = [];
	if (rehydrate) {
		const key = `rehydrating/${rehydrate.id}`;
		const at = rehydrate.water === 'boiling' ? 'boiling water' : 'water at room temperature';
		after.push(
			{ key: `${key}/cups`, slot: 'dry/water-back', what: 'Water back to a cup', value: rehydrate.cups, unit: 'cup', at, ...from(rehydrate) },
			{ key: `${key}/hours`, slot: 'dry/soak', what: 'Soak', value: rehydrate.hours, unit: 'h', at: 'longer than 2 h: in the fridge', ...from(rehydrate) }
		); // prettier-ignore
	}
	if (yields) {
		const fresh = sayAmount(yields.fresh_lb, 'lb', units).main;
		after.push({ key: `drying-yields/${yields.id}/dried`, slot: 'dry/yield', what: `Dried from ${fresh}`, value: yields.dried_lb, unit: 'lb', at: 'as it comes from the garden', ...from(yields) }); // prettier-ignore
		if (yields.pints)
			after.push({ key: `drying-yields/${yields.id}/pints`, slot: 'dry/yield-volume', what: 'which fills', value: [yields.pints[0], yields.pints[1]], unit: 'pint', ...from(yields) }); // prettier-ignore
	}
	return {
		way: 'dry',
		lines: [
			...heat,
			...answer.rows.flatMap((row) => dryingLines(row, units)),
			...after.map((d) => lineOf(d, units)),
			// The dryer's air stands with each row already.
			...answer.figures.filter((f) => !f.id.endsWith('temperature')).map((f) => figureLine(f, units))
		],
		words: [
			...(answer.rows.length === 0
				? ['No drying hours are carried for it, and none are made up: go by the test.']
				: []),
			...answer.rows.map((row) => `${row.cut}: ${row.pretreat}`),
			...(odour ? [`In a mixed load, ${odour.name}: ${odour.words}`] : [])
		],
		recipes: recipesOf(food.id).filter((r) => r.kind === 'rehydrating' || r.id.endsWith('-dip')),
		cautions: answer.cautions
	};
}

/** What belongs to the hours of a drying row, by its line's key: the piece, what is done before, how dry feels. */
export function besideHours(key: string): string {
	const row = dryingRows.find((r) => `drying/${r.id}/hours` === key);
	if (!row) return '';
	const before = /^(None|Blanch)\.$/.test(row.pretreat) ? '' : ` ${row.pretreat}`;
	return `${row.cut}.${before} Dry: ${row.test}.`;
}
