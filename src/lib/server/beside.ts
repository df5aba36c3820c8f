import { weightShare } from '$core/drying/page-curve';
import { monthsIn, packSuits } from '$core/freezing/freeze-look-up';
import { hotPot } from '$core/heat/cool-pot';
import { coolHotFood, coolingChanges, coolingRule, type CoolingForecast } from '$core/heat/cooling';
import { sharesOf } from '$core/heat/food-properties';
import { sayFraction, sayTemperature, type Units } from '$core/quantities/format';
import { cFromF } from '$core/quantities/units';
import { surfaceCoefficient } from '$core/heat/surface';
import type { DryWay } from '$core/ways/dry-ways';
import type { FreezeWay, RefusedWay } from '$core/ways/freeze-ways';
import type { Glance } from '$core/ways/glance';
import type { Kitchen } from '$core/ways/kitchen';
import type { Refusal } from '$core/errors';
import { skinsOf } from '$core/drying/drying-time';
import { canningRules } from '$reference/canning-rules';
import { freezingPointOf } from '$reference/freezing-points';
import { freezerPacks } from '$reference/other-ways';
import { sources } from '$reference/sources';
import type { FoodRow } from '$reference/tables';
import type { CurveAsk, FreezerAsk } from '../../workers/protocol';

/** What the page needs of the ways beside one another: no rows, no functions. */
export const shownGlance = (list: Glance) =>
	list.map((w) => {
		if (w.kind !== 'way') return w;
		const { loads, work: _work, demands: _demands, ...rest } = w;
		return {
			...rest,
			loads: loads
				? { method: loads.method,
						perLoad: loads.perLoad, lids: loads.lids, loads: loads.loads.map((l) => ({ jars: l.jars, seconds: l.to_s - l.from_s, steps: l.steps })) }
				: null
		};
	}); // prettier-ignore

export function shownDry(dry: DryWay | Refusal, units: Units) {
	if (dry.kind === 'refused') return dry;
	const { time, row, balance, look } = dry;
	const { moistureIn, moistureOut } = time;
	// Far enough for the slow end of the forecast.
	const last_h = Math.ceil(time.interval_h[1] * 1.1);
	const at = (t_h: number, end_h: number) => 100 * weightShare({ t_h, end_h, moistureIn, moistureOut });
	const hours = Array.from({ length: 41 }, (_, i) => (i / 40) * last_h);
	return {
		kind: 'way' as const,
		rows: dry.rows.map((r) => ({ id: r.id, cut: r.cut })),
		row: { id: row.id, cut: row.cut, pretreat: row.pretreat, test: row.test, thickness_in: row.thickness_in, blanches: !dry.straight && row.kind === 'vegetable' && (row.steam_min ?? row.water_min) !== null },
		skins: [...skinsOf(row)],
		hours: time.hours,
		interval_h: time.interval_h,
		printed_h: time.printed_h,
		asPrinted: time.asPrinted,
		air_C: time.air_C,
		humidity: time.air.humidity,
		why: dry.why,
		blanch: dry.blanch,
		dryer: dry.dryer,
		usualDryer: dry.usualDryer,
		trays: dry.trays,
		jars: dry.jars,
		dry_kg: balance.dry_kg,
		water_kg: balance.water_kg,
		byproduct_kg: balance.byproduct_kg,
		trayDry_kg: balance.trayDry_kg,
		moisture: [moistureIn, moistureOut] as const,
		keeps: dry.keeps ? { what: dry.keeps.what, time: dry.keeps.time, unit: dry.keeps.unit, at: dry.keeps.at ?? null } : null,
		odour: look.odour?.words ?? null,
		heat: look.heat.map((h) => (h.F === undefined ? h.words : `${sayTemperature(cFromF(h.F), units)}: ${h.words}`)),
		cautions: look.cautions.map((c) => ({ id: c.id, text: c.text, source: c.source === 'practice' ? null : sources[c.source].short })),
		source: sources[row.source].short,
		confidence: row.confidence,
		// Meat gives off fat and juice as well: no curve of water is drawn for it.
		curve: time.asPrinted
			? null
			: {
			target: 100 * ((1 - moistureIn) / (1 - moistureOut)),
			middle: hours.map((t) => [t, at(t, time.hours)] as const),
			band: hours.map((t) => [t, at(t, time.interval_h[0]), at(t, time.interval_h[1])] as const)
			}
	}; // prettier-ignore
}

/** How long each pack keeps its quality: surely, and at most. Months. */
export function qualityOf(food: FoodRow, freeze: readonly (FreezeWay | RefusedWay)[], dry: DryWay | Refusal, glance: Glance) {
	const bars: { name: string; store: string; months: readonly [number, number]; words: string }[] = [];
	const open = freeze.filter((w): w is FreezeWay => w.kind === 'way');
	for (const way of open.filter((w, i) => open.findIndex((o) => o.months.join() === w.months.join()) === i))
		bars.push({ name: `${way.name}, freezer bag`, store: 'freezer', months: way.months, words: 'at −18 °C' });
	const [first] = open;
	if (first)
		for (const pack of freezerPacks.filter((p) => p.months && packSuits(p, food)))
			bars.push({ name: `${first.name}, ${pack.name}`, store: 'freezer', months: monthsIn(pack, first.months), words: pack.words });
	if (dry.kind === 'way' && dry.months && dry.months[1] >= 1)
		bars.push({ name: dry.time.asPrinted ? 'Dried, in the freezer' : 'Dried, in a sealed jar', store: dry.time.asPrinted ? 'freezer' : 'shelf', months: dry.months, words: dry.keeps?.at ?? '' });
	if (glance.some((w) => w.kind !== 'refused' && w.way === 'can'))
		bars.push({ name: 'In canning jars', store: 'shelf', months: [canningRules.best_months.value, canningRules.best_months.value], words: 'cool, dark and dry' });
	return bars;
} // prettier-ignore

/** What the worker is asked for the two charts of the freezer; null where nothing is frozen here. */
export function freezerAsks(input: {
	readonly food: FoodRow;
	readonly food_C: number;
	readonly kitchen: Kitchen;
	readonly freeze: readonly (FreezeWay | RefusedWay)[];
	/** Thickness of a pack, mm; pieces lie on a tray without it where the cut is frozen loose. */
	readonly pack_mm: number | undefined;
}) {
	const { food, kitchen } = input;
	const way = input.freeze.find((w): w is FreezeWay => w.kind === 'way');
	if (!way) return null;
	const { cut } = way;
	const thick = (mm: number) => (kitchen.units === 'us' ? `${sayFraction(Math.max(3, mm) / 25.4)} in` : `${mm} mm`);
	const loose = cut.pack === 'loose' && input.pack_mm === undefined;
	const thermal = { composition: sharesOf(food.composition), freezing_C: freezingPointOf(food).C };
	const start_C = way.method === 'water' || way.method === 'steam' ? 15 : Math.max(1, Math.min(25, input.food_C));
	const thickness_m = loose ? cut.piece.size_mm / 1000 : (input.pack_mm ?? 30) / 1000;
	const medium_C = Math.max(-40, Math.min(-14, kitchen.freezer_C));
	const common = { food: thermal, start_C, medium_C };
	const chosen: CurveAsk = loose
		? { ...common, shape: cut.piece.shape, size_m: Math.max(0.002, thickness_m), h_W_m2K: surfaceCoefficient('still-air') }
		: { ...common, shape: 'slab', size_m: thickness_m, h_W_m2K: surfaceCoefficient('still-air', 'tight') };
	const brick: CurveAsk = { ...common, shape: 'slab', size_m: 0.08, h_W_m2K: surfaceCoefficient('still-air', 'tight') };
	const curves = {
		asks: chosen.size_m < 0.075 ? [chosen, brick] : [chosen],
		names: [loose ? `a piece on the tray, ${thick(cut.piece.size_mm)}` : `a pack ${thick(Math.round(thickness_m * 1000))} thick`, kitchen.units === 'us' ? 'a block 3 in thick' : 'a block 8 cm thick']
	};
	const kg = way.prepared_g / 1000;
	const pack_kg = Math.min(kg, way.packs.portion_g / 1000);
	// Through what it freezes before it is stacked: the piece, or the pack.
	const load = { at_h: 6, kg, pack_kg, thickness_m: Math.max(0.006, thickness_m), start_C, food: thermal };
	const freezer: FreezerAsk | null =
		kitchen.freezer_L < 20
			? null
			: {
					freezer: { litres: Math.min(2000, kitchen.freezer_L), set_C: Math.max(-35, medium_C), room_C: kitchen.room_C },
					old: { kg: kitchen.frozen_kg, start_C: Math.max(-35, medium_C) },
					load,
					days: Math.min(14, 2 + Math.ceil(kg / Math.max(0.1, way.freezer.dayLoad_kg)))
				};
	return { curves, freezer, pack_mm: input.pack_mm ?? null, loose: cut.pack === 'loose', piece_mm: cut.piece.size_mm, way: way.name };
} // prettier-ignore

/** Hot stock and dishes: the pot as it is, and what cools it in time; null for food that is not cooked. */
export function coolFirst(food: FoodRow, grams: number, room_C: number) {
	const hot = hotPot(food, grams);
	if (!hot) return null;
	const { litres, pot } = hot;
	const row = (words: string, f: CoolingForecast) => ({
		words,
		first_s: Number.isFinite(f.first_s) ? f.first_s : null,
		whole_s: Number.isFinite(f.whole_s) ? f.whole_s : null,
		verdict: f.verdict
	});
	const { first_s, whole_s, source } = coolingRule;
	return {
		litres,
		rows: [
			row('In its pot on the counter', coolHotFood({ ...pot, place: 'room', medium_C: Math.min(40, room_C) })),
			row('In its pot, straight into the fridge', coolHotFood(pot)),
			...coolingChanges(pot).map((c) => row(c.words, c.forecast))
		],
		rule: `From 135 °F (57 °C) to 70 °F (21 °C) within ${first_s / 3600} hours, to 41 °F (5 °C) within ${whole_s / 3600} in all.`,
		source: sources[source].short
	};
}
