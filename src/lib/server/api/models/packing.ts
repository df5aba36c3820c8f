import { cannerLoads, mixedCannerLoad } from '$core/canning/canner-loads';
import { perJar_g } from '$core/canning/jar-yield';
import type { TestedProcess } from '$core/canning/find-process';
import { askByName } from '$core/things/ask-by-name';
import { understand } from '$core/things/understand';
import { processCautions } from '$core/safety/cautions';
import { measuresOf } from '$core/foods/measures';
import { cutOf } from '$core/foods/cuts';
import { boilingPoint_C } from '$core/heat/boiling-point';
import { absorberFor } from '$core/packing/absorber';
import { portions, type Portion } from '$core/packing/portions';
import { jarSizes } from '$reference/canning-rules';
import { AppError } from '../../errors';
import { foodNamed, unknownFood } from '../answer';
import { choice, food, num, word as wordOf } from '../asks';
import { model, word } from '../model';
import { asked } from '../other-ways';
import { altitude, burnerAsks, burnerOf } from './heat';

const oneOf = (names: readonly string[], count: number): AppError =>
	new AppError(400, 'BAD_INPUT', `Give ${count === 0 ? 'one' : 'only one'} of ${names.join(', ')}.`, names.map((field) => ({ field, message: 'One of them.' }))); // prettier-ignore

const told = (p: TestedProcess) => ({
	product: p.product.product,
	name: p.product.name,
	style: p.style,
	jar: p.jar,
	method: p.method,
	gauge: p.gauge ?? null,
	minutes: p.minutes,
	psi: p.psi ?? null,
	source: p.sourceTitle
});

export const cannerLoadsModel = (() => {
	const asks = {
		food,
		product: wordOf('What it becomes; the food as it is without it.'),
		style: choice('Hot or raw pack.', ['hot', 'raw'] as const, { required: true }),
		jar: choice('Canning jar.', jarSizes, { required: true }),
		altitude_m: altitude,
		gauge: choice('Of the pressure canner.', ['dial', 'weighted'] as const, { fallback: 'weighted' }),
		kg: num('As it is bought; where the guide prints what a jar takes.', 'kg', 0.1, 500, 14),
		jars: num('Or jars.', 'jars', 1, 500, 17),
		capacity: num('Jars that fit the canner; a usual one’s without it.', 'jars', 1, 40, 7),
		...burnerAsks,
		tap_c: num('Tap water.', '°C', 1, 35, 14, { fallback: 14 }),
		with: wordOf('A second food that tops off the load, in the same style and jar.')
	} as const;
	return {
		asks,
		GET: model(asks, { source: 'usdaCanning2015', instead: ['Another way'] }, (q) => {
			if ((q.kg === undefined) === (q.jars === undefined)) throw oneOf(['kg', 'jars'], q.kg === undefined ? 0 : 2);
			const process = (name: string, product?: string) => {
				const advice = askByName({
					way: 'can',
					food: name,
					style: q.style,
					jar: q.jar,
					altitude_m: q.altitude_m,
					gauge: q.gauge,
					...(product ? { product } : {})
				});
				if (advice.kind === 'refused' && advice.rule === 'unknown-food') throw unknownFood(name);
				if (advice.kind === 'refused') return { advice, found: undefined };
				return { advice, found: advice.processes.find((p) => p.method === 'pressure') ?? advice.processes[0] };
			};
			const { advice, found } = process(q.food, q.product);
			if (advice.kind === 'refused') return advice;
			if (!found) throw new AppError(400, 'UNKNOWN_CUT', 'It was not tested in that style and jar. GET /api/v1/canning lists what was.', [{ field: 'style', message: 'Not tested so.' }]);
			const named = understand(q.food);
			const row = named.kind === 'thing' ? named.thing.food : undefined;
			const each_g = row ? perJar_g(row, row.forms[0]?.id ?? 'whole', found.product, q.jar)?.grams : undefined;
			if (q.kg !== undefined && each_g === undefined)
				throw new AppError(400, 'NOT_READY', 'The guide prints no weight to a jar for it. Give jars instead of kg.', [{ field: 'kg', message: 'Give jars.' }]);
			const jars = q.jars ?? Math.floor(((q.kg ?? 0) * 1000) / (each_g ?? 1));
			if (jars < 1) throw new AppError(400, 'NOT_ENOUGH', `A ${q.jar} takes ${((each_g ?? 0) / 1000).toFixed(2)} kg: there is not one full.`, [{ field: 'kg', message: 'Not a jar full.' }]);
			let mixed: object | null = null;
			// One load has one time: the longest among what is in it, in every step and sum of the answer.
			let load = found;
			let inside: readonly TestedProcess[] = [found];
			if (q.with !== undefined) {
				const second = process(q.with);
				if (second.advice.kind === 'refused') return second.advice;
				if (!second.found) throw new AppError(400, 'UNKNOWN_CUT', `${q.with} was not tested in that style and jar.`, [{ field: 'with', message: 'Not tested so.' }]);
				const both = mixedCannerLoad([found, second.found]);
				if (both.kind === 'refused') return both;
				load = { ...found, minutes: both.minutes };
				inside = [found, second.found];
				mixed = { minutes: both.minutes, with: told({ ...second.found, minutes: both.minutes }), longest: both.longest.product.name, words: both.words, confidence: both.confidence };
			}
			const loads = cannerLoads({
				process: load,
				jars,
				...(q.capacity ? { capacity: Math.floor(q.capacity) } : {}),
				burner: burnerOf(q),
				tap_C: q.tap_c,
				boil_C: boilingPoint_C(q.altitude_m)
			});
			return {
				process: told(load),
				jars: Math.floor(jars),
				per_jar_g: each_g ?? null,
				per_load: loads.perLoad,
				loads: loads.loads.map((l) => ({ jars: l.jars, from_s: l.from_s, to_s: l.to_s, check_s: l.check_s, steps: l.steps })),
				elapsed_s: loads.elapsed_s,
				hands_s: loads.hands_s,
				lids: loads.lids,
				energy_kJ: loads.energy_J / 1000,
				mixed,
				cautions: processCautions(advice.food, inside).map((c) => c.text),
				...word('Published process, vent and waits; heating, coming up and coming down estimated. No process time is computed', 'usdaCanning2015')
			};
		})
	}; // prettier-ignore
})();

export const portionsModel = (() => {
	const asks = {
		food,
		cut: wordOf('For portions by volume; the first cut without it.'),
		kg: num('Food, ready to pack.', 'kg', 0.01, 1000, 8.4, { required: true }),
		portion_g: num('A pack by weight.', 'g', 5, 100_000, 500),
		portion_ml: num('Or by volume.', 'ml', 10, 100_000, 473),
		pieces: num('Or by pieces.', 'pieces', 1, 1000, 4),
		piece_g: num('What a piece weighs; the food’s own without it.', 'g', 0.1, 20_000, 120),
		people: num('Or for so many people.', 'people', 1, 100, 5),
		each_g: num('A person’s share.', 'g', 10, 2000, 100, { fallback: 100 }),
		second_g: num('A second size, by weight.', 'g', 5, 100_000, 200),
		second_share: num('Its share of the food.', 'of the food', 0, 1, 0.5, { fallback: 0.5 }),
		paid: num('Paid for it, in minor units of money such as cents.', 'minor units', 0, 100_000_000, 1250),
		per_week: num('Packs eaten in a week.', 'packs', 0.01, 100, 0.5)
	} as const;
	return {
		asks,
		GET: model(asks, { source: 'practice', instead: ['A smaller portion'] }, (q) => {
			const row = foodNamed(q.food).food;
			const cut = asked(() => cutOf(row, q.cut ?? row.cuts[0]?.id ?? ''));
			const ways: (Portion | undefined)[] = [
				q.portion_g === undefined ? undefined : { by: 'weight', grams: q.portion_g },
				q.portion_ml === undefined ? undefined : { by: 'volume', mL: q.portion_ml },
				q.pieces === undefined ? undefined : { by: 'pieces', count: q.pieces },
				q.people === undefined ? undefined : { by: 'people', people: q.people, gramsEach: q.each_g }
			];
			const given = ways.filter((w) => w !== undefined);
			const [portion] = given;
			if (!portion || given.length > 1) throw oneOf(['portion_g', 'portion_ml', 'pieces', 'people'], given.length);
			const each = measuresOf(row).find((m) => m.measure === 'each' && m.row.unit === 'kg')?.row.value;
			const piece_g = q.piece_g ?? (each === undefined ? undefined : each * 1000);
			const worked = portions({
				food_g: q.kg * 1000,
				portion,
				...(q.second_g === undefined ? {} : { second: { portion: { by: 'weight', grams: q.second_g }, share: q.second_share } }),
				bulk_kg_per_L: cut.bulk_kg_per_L.value,
				...(piece_g === undefined ? {} : { piece_g }),
				...(q.paid === undefined ? {} : { paid: Math.round(q.paid) }),
				...(q.per_week === undefined ? {} : { perWeek: q.per_week })
			});
			return {
				food: row.id,
				cut: cut.id,
				sizes: worked.sizes.map((s) => ({ grams: s.grams, packs: s.packs, words: s.words, price: s.price ?? null })),
				packs: worked.packs,
				remainder_g: worked.remainder_g,
				weeks: worked.weeks ?? null,
				...word('Whole packs and what is left: nothing is lost', 'practice', 'practice')
			};
		})
	}; // prettier-ignore
})();

export const absorber = (() => {
	const asks = {
		food,
		volume_l: num('Of the jar, bag or bucket.', 'L', 0.1, 30, 0.946, { required: true }),
		lies: choice('Dense as grain and powder, or light pieces.', ['dense', 'light'] as const, { required: true }),
		fill: num('Share of it that is filled.', '%', 20, 100, 100, { fallback: 100 }),
		moisture: num('Water left in the food by weight, where it was measured.', '%', 0, 100, 8)
	} as const;
	return {
		asks,
		GET: model(asks, { source: 'extensionOxygen', instead: ['Keep it cold'] }, (q) => {
			const row = foodNamed(q.food).food;
			const worked = absorberFor({
				food: row,
				volume_L: q.volume_l,
				lies: q.lies,
				fill: q.fill / 100,
				...(q.moisture === undefined ? {} : { moisture: q.moisture })
			});
			if (worked.kind === 'refused') return worked;
			return {
				food: row.id,
				air_mL: worked.air_mL,
				oxygen_mL: worked.oxygen_mL,
				size_cc: worked.size_cc,
				count: worked.count,
				...word('Oxygen of the air between and over the food, rounded up to a size that is sold', 'extensionOxygen')
			};
		})
	};
})();
