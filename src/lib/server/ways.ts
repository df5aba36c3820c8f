import Joi from 'joi';
import { canWays } from '$core/ways/can-ways';
import { freezeWays, type Ways, type WayChoices } from '$core/ways/freeze-ways';
import { jarSizes, type JarSize } from '$reference/canning-rules';
import { AppError } from './errors';
import { knownFood } from './haul';
import { id, line, parse, weightWithin } from './parse';
import type { Stores } from './stores';

interface WayQuery {
	cut?: string;
	portion?: number;
	pot?: string;
	container?: string;
	potfuls?: 'small';
	grams?: number;
	jar?: JarSize;
}

const waySchema = Joi.object<WayQuery>({
	cut: line(40).label('The cut'),
	portion: weightWithin(10, 20_000).label('The portion'),
	pot: id().label('The pot'),
	container: id().label('The container'),
	potfuls: Joi.string().valid('small').label('Potfuls'),
	grams: weightWithin(1, 1_000_000).label('The amount'),
	jar: Joi.string()
		.valid(...jarSizes)
		.label('The jar')
});

/** What an address may say: the ways follow from it, and survive a reload. */
export function wayQuery(fields: Record<string, string>): WayQuery {
	return parse(waySchema, fields);
}

/** All ways for a lot in this kitchen, now. @throws {AppError} 400, 404, 409 nothing left */
export async function waysFor(stores: Stores, lotId: string, query: WayQuery, now: Date) {
	const [{ lot, grams, place }, kitchen, reserved] = await Promise.all([
		stores.stock.rawLot(lotId),
		stores.home.kitchen(),
		stores.runs.reserved()
	]);
	const food = knownFood(lot.food);
	const free_g = Math.max(0, grams - (reserved.get(lot.id) ?? 0));
	const wanted_g = query.grams ?? free_g;
	if (wanted_g > free_g && free_g > 0) {
		throw new AppError(400, 'NOT_ENOUGH', `Only ${free_g} g of it are free. Nothing was changed.`, [
			{ field: 'grams', message: `At most ${free_g} g.` }
		]);
	}
	if (query.cut && !food.cuts.some((c) => c.id === query.cut)) {
		throw new AppError(
			400,
			'UNKNOWN_CUT',
			`${food.name} are not cut as "${query.cut}". Known: ${food.cuts.map((c) => c.id).join(', ')}. Nothing was changed.`,
			[{ field: 'cut', message: 'Unknown cut.' }]
		);
	}
	const choices: WayChoices = {
		...(query.cut ? { cut: query.cut } : {}),
		...(query.portion ? { portion_g: query.portion } : {}),
		...(query.pot ? { potId: query.pot } : {}),
		...(query.container ? { containerId: query.container } : {}),
		...(query.potfuls === 'small' ? { smaller: true } : {})
	};
	// The amount that the ways are worked out for; a lot that is all at the stove is shown whole, without a start.
	const shown_g = free_g > 0 ? wanted_g : Math.max(1, grams);
	const ways: Ways = freezeWays({
		food,
		form: lot.form,
		grams: shown_g,
		food_C: Math.min(30, Math.max(1, place.tempC)),
		kitchen,
		choices,
		now: now.getTime()
	});
	// A family opens a quart, one or two people a pint.
	const jar: JarSize = query.jar ?? (kitchen.people >= 4 ? 'quart' : 'pint');
	const jars = canWays({
		food,
		called: lot.title,
		soft: lot.condition === 'soft',
		form: lot.form,
		grams: shown_g,
		kitchen,
		jar,
		now: now.getTime()
	});
	return { lot, place, grams, free_g, shown_g, kitchen, food, ways, jars, jar };
}
