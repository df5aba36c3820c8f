import { dryingBalance } from '$core/drying/drying-balance';
import { refitDrying } from '$core/drying/drying-refit';
import { dryingTime, moistureWanted, skins, type DryingTime } from '$core/drying/drying-time';
import { weightShare } from '$core/drying/page-curve';
import { lookUpDrying, printedMeatShare } from '$core/drying/dry-look-up';
import { yieldShare } from '$core/foods/cuts';
import { kgFromLb } from '$core/quantities/units';
import { sources } from '$reference/sources';
import { foodNamed } from '../answer';
import { choice, food, num, pairs, word as wordOf, yesNo } from '../asks';
import { model, word } from '../model';
import { asked } from '../other-ways';
import { AppError } from '../../errors';

const cut = wordOf('A word of the cut: "halves", "slices". The first row without it.');
const printed = { source: 'ugaDrying', instead: ['Dry it in warmer air'] } as const;

/** The food and its row; a refusal, or a plain word where no hours are printed. */
function rowFor(name: string, cutWord: string | undefined) {
	const thing = foodNamed(name);
	const row = thing.food;
	const look = asked(() => lookUpDrying({ thing, ...(cutWord === undefined ? {} : { cut: cutWord }) }));
	if (look.kind === 'refused') return look;
	if (!look.row)
		return {
			kind: 'refused' as const,
			reason: `No hours are printed for drying ${row.name}, and none are made up.`,
			source: sources.ugaDrying.title,
			instead: ['Dry a little, weigh it, and go by the test by hand', `Another way of keeping ${row.name}`]
		};
	return { kind: 'row' as const, food: row, row: look.row, look };
}

const curve = (time: DryingTime, hours: number, power = 1) =>
	Array.from({ length: 25 }, (_, i) => {
		const t_h = (i / 24) * hours * 1.25;
		const { moistureIn, moistureOut } = time;
		return { h: t_h, weight_share: weightShare({ t_h, end_h: hours, moistureIn, moistureOut, power }) };
	});

export const dryingTimeModel = (() => {
	const asks = {
		food,
		cut,
		thickness_mm: num('Of the piece; as printed without it.', 'mm', 1, 60, 4),
		skin: choice('Of whole waxy berries.', skins),
		blanched: choice('Vegetables that the table blanches: were they?', ['yes', 'no'] as const, { fallback: 'yes' }),
		air_c: num('Of the dryer; the row’s without it.', '°C', 30, 80, 60),
		room_c: num('Of the room.', '°C', 0, 45, 21, { fallback: 21 }),
		humidity: num('Relative humidity of the room.', '%', 5, 100, 50, { fallback: 50 }),
		altitude_m: num('Height above the sea.', 'm', -430, 6000, 380, { fallback: 0 }),
		load_kg_m2: num('On a tray; one close layer without it.', 'kg/m²', 0.1, 40, 4),
		oven: yesNo('In an oven instead of a dryer.'),
		wet_kg: num('What went on, for weighings.', 'kg', 0.02, 100, 1),
		weigh_ins: pairs('Hours since the start and kilos of food, without the tray.', '2:0.71,4:0.48')
	} as const;
	return {
		asks,
		GET: model(asks, printed, (q) => {
			const found = rowFor(q.food, q.cut);
			if (found.kind === 'refused') return found;
			const time = dryingTime({
				food: found.food,
				row: found.row,
				...(q.thickness_mm === undefined ? {} : { thickness_mm: q.thickness_mm }),
				...(q.skin ? { skin: q.skin } : {}),
				blanched: q.blanched === 'yes',
				...(q.air_c === undefined ? {} : { air_C: q.air_c }),
				room_C: q.room_c,
				room_humidity: q.humidity / 100,
				altitude_m: q.altitude_m,
				...(q.load_kg_m2 === undefined ? {} : { load_kg_m2: q.load_kg_m2 }),
				oven: q.oven
			});
			if (time.kind === 'refused') return time;
			if (time.asPrinted && q.weigh_ins !== undefined)
				throw new AppError(
					400,
					'BAD_INPUT',
					'Meat is not weighed to its end: the heat step and the test by hand decide.',
					[{ field: 'weigh_ins', message: 'Not for meat.' }]
				);
			if ((q.weigh_ins === undefined) !== (q.wet_kg === undefined))
				throw new AppError(400, 'BAD_INPUT', 'Weighings need wet_kg, what went on, and wet_kg needs weighings.', [
					{ field: q.weigh_ins ? 'wet_kg' : 'weigh_ins', message: 'Give both or neither.' }
				]);
			const refit =
				q.weigh_ins && q.wet_kg
					? refitDrying({
							wet_kg: q.wet_kg,
							moistureIn: time.moistureIn,
							moistureOut: time.moistureOut,
							prior: { hours: time.hours, doubt: time.doubt },
							weighIns: q.weigh_ins.map(([t_h, kg]) => ({ t_h, kg }))
						})
					: null;
			return {
				food: found.food.id,
				row: found.row.id,
				cut: found.row.cut,
				hours: time.hours,
				interval_h: time.interval_h,
				printed_h: time.printed_h,
				as_printed: time.asPrinted,
				factors: time.factors,
				moisture_in: time.moistureIn,
				moisture_out: time.moistureOut,
				air: { C: time.air_C, relative_humidity: time.air.humidity, wet_bulb_C: time.air.wetBulb_C, deficit_Pa: time.air.deficit_Pa },
				learned: refit && { done_h: refit.done_h, interval_h: refit.interval_h, target_kg: refit.target_kg, power: refit.power, odd: refit.odd ? { h: refit.odd.t_h, kg: refit.odd.kg } : null },
				// Meat gives off fat and juice as well: no curve of water is drawn for it.
				curve: time.asPrinted ? [] : curve(time, refit?.done_h ?? time.hours, refit?.power),
				test: time.test,
				heat_before: found.look.heat.map((h) => h.words),
				cautions: found.look.cautions.map((c) => c.text),
				...word('Printed hours carried to this piece, air and load, with their doubt; Page’s curve, learned by Bayes from weighings. The test by hand decides', found.row.source, found.row.confidence)
			}; // prettier-ignore
		})
	};
})();

export const dryingYield = (() => {
	const asks = {
		food,
		cut,
		kg: num('As it is bought or picked; or prepared, with prepared=true.', 'kg', 0.05, 500, 10, { required: true }),
		form: wordOf('The form it came in; its first without it.'),
		prepared: yesNo('The kilos are of what goes on the trays.'),
		trays: num('Trays it goes on.', 'trays', 1, 200, 6, { fallback: 1 })
	} as const;
	return {
		asks,
		GET: model(asks, printed, (q) => {
			const found = rowFor(q.food, q.cut);
			if (found.kind === 'refused') return found;
			const { food: row } = found;
			const usable = q.prepared ? 1 : asked(() => yieldShare(row, q.form));
			const printedShare = printedMeatShare(row);
			const balance = dryingBalance({
				wet_kg: q.kg * usable,
				...(printedShare === undefined ? {} : { printedShare }),
				bought_kg: q.kg,
				moistureIn: row.composition.water / 100,
				moistureOut: Math.min(moistureWanted(found.row), row.composition.water / 100 - 0.05),
				trays: Math.floor(q.trays)
			});
			const { yields } = found.look;
			return {
				food: row.id,
				cut: found.row.cut,
				bought_kg: q.kg,
				prepared_kg: q.kg * usable,
				byproduct_kg: balance.byproduct_kg,
				byproducts: row.cuts[0]?.byproducts ?? [],
				water_kg: balance.water_kg,
				dry_kg: balance.dry_kg,
				ratio: balance.ratio,
				tray_wet_kg: balance.trayWet_kg,
				tray_dry_kg: balance.trayDry_kg,
				printed: yields ? { fresh_kg: kgFromLb(yields.fresh_lb), dried_kg: kgFromLb(yields.dried_lb), source: sources[yields.source].title } : null,
				...word('Mass balance: solids stay, water goes', 'usdaSr')
			}; // prettier-ignore
		})
	};
})();
