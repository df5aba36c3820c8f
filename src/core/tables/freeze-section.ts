import { blanchRules } from '../../reference/rules';
import { figures, freezerPacks, isFor } from '../../reference/other-ways';
import type { Thing } from '../things/thing';
import { lookUpFreezing, monthsIn, packSuits } from '../freezing/freeze-look-up';
import { recipesOf } from '../recipes/find-recipe';
import { figureLine, from, lineOf, type Draft, type Line, type Section, type TableKitchen } from './line';

const methodWords = { blanched: 'blanched', cooked: 'cooked first', raw: 'raw' } as const;

/** Freezing: what is done before, months in a good pack and in poor ones, ratios, and the numbers behind a plan. */
export function freezeSection(thing: Thing, kitchen: TableKitchen): Section {
	const { food } = thing;
	const { units, altitude_m } = kitchen;
	const answer = lookUpFreezing({ thing });
	if (answer.kind === 'refused')
		return { way: 'freeze', lines: [], words: [], recipes: [], refusal: answer, cautions: [] };
	const lines: Line[] = [];
	const put = (draft: Draft) => lines.push(lineOf(draft, units));
	const high = altitude_m !== null && altitude_m >= blanchRules.altitudeFrom_m.value;
	const base = `foods/${food.id}`;
	const raw = food.perishable ? 'raw or as it is' : 'raw';
	const told = new Set<string>();
	for (const c of answer.cuts) {
		for (const row of c.blanch) {
			const extra = high && !row.dip ? 1 : 0;
			const seconds = row.minutes[1] < 1;
			put({
				key: `blanching/${row.id}`,
				slot: row.dip ? 'freeze/dip' : `freeze/${row.method}`,
				what: `${row.dip ? 'Dip' : row.method === 'steam' ? 'Steam' : 'Blanch'}, ${row.cut}`,
				value: [(row.minutes[0] + extra) * (seconds ? 60 : 1), (row.minutes[1] + extra) * (seconds ? 60 : 1)],
				unit: seconds ? 's' : 'min',
				at: [row.endPoint, extra ? 'with the minute for this altitude' : '', row.chillNote].filter(Boolean).join('; '),
				...from(row)
			});
		}
		put({
			key: c.method === 'blanched' ? 'figures/freeze/blanched' : `${base}/${c.cut.id}/months-${c.method}`,
			slot: `freeze/months-${c.method}`,
			what: `Keeps, ${c.cut.name}, ${c.method === 'raw' ? raw : methodWords[c.method]}`,
			value: [c.months[0], c.months[1]],
			unit: 'month',
			// The same reason stands once, not beside each cut.
			at: c.method === 'raw' && !told.has(c.why) ? c.why : undefined,
			source: c.source,
			confidence: c.confidence
		});
		told.add(c.why);
	}
	const [longest] = answer.cuts.map((c) => c.months).sort((a, b) => b[1] - a[1]);
	if (longest) {
		for (const pack of freezerPacks.filter((p) => p.months && packSuits(p, food))) {
			const [low, most] = monthsIn(pack, longest);
			put({
				key: `freezer-packs/${pack.id}`,
				slot: `freeze/pack-${pack.id}`,
				what: `In a ${pack.name} only`,
				value: [low, most],
				unit: 'month',
				at: pack.words,
				...from(pack)
			});
		}
	}
	lines.push(...figures.filter((f) => f.way === 'freeze' && isFor(f, food)).map((f) => figureLine(f, units)));
	for (const cut of food.cuts) {
		const key = `${base}/${cut.id}`;
		const minor = (name: string, slot: string, what: string, value: number, unit: Draft['unit'], row: Parameters<typeof from>[0]) =>
			put({ key: `${key}/${name}`, slot: `freeze/${slot}`, what: `${cut.name}: ${what}`, value, unit, minor: true, ...from(row) }); // prettier-ignore
		for (const [form, y] of Object.entries(cut.yields)) {
			const named = food.forms.find((f) => f.id === form)?.name ?? form;
			minor(`yield-${form}`, 'yield', `left of what comes in, ${named}`, Math.round(y.value * 1000) / 10, '%', y);
		}
		minor('piece', 'piece', 'piece reckoned with', cut.piece.size_mm, 'mm', cut.piece);
		minor('bulk', 'bulk', 'bagged and frozen', cut.bulk_kg_per_L.value, 'kg/L', cut.bulk_kg_per_L);
		minor('look', 'look', 'first look after', cut.firstLook_h.value, 'h', cut.firstLook_h);
		minor('hands', 'hands', 'hands', cut.hands_min_per_kg.value, 'min/kg', cut.hands_min_per_kg);
	}
	const spare = [...new Set(food.cuts.flatMap((c) => c.byproducts ?? []))];
	return {
		way: 'freeze',
		lines,
		words: [
			...answer.cuts.filter((c) => c.method === 'cooked').map((c) => `${c.cut.name}, cooked first: ${c.why}`),
			...answer.refused.map(({ cut, refusal }) => `${cut.name}, not raw: ${refusal.reason}`),
			...food.cuts.map((c) => `${c.name}, to use: ${c.use}`),
			...(answer.styles.length > 0 ? [`Packs that suit it: ${answer.styles.map((s) => s.name).join(', ')}.`] : []),
			...(spare.length > 0 ? [`Not for the bin: ${spare.join('; ')}.`] : [])
		],
		recipes: recipesOf(food.id).filter(
			(r) =>
				r.kind === 'sugar-pack' || r.kind === 'freezing-syrup' || ['ascorbic-holding', 'ascorbic-syrup'].includes(r.id)
		),
		cautions: answer.cautions
	};
}
