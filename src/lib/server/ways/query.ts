import Joi from 'joi';
import { skins, type Skin } from '$core/drying/drying-time';
import { packStyles, type PackStyleId } from '$core/packing/pack-style';
import { readPortion, usualPerson_g, type ReadPortion, type RecipePortion } from '$core/packing/read-portion';
import type { Thing } from '$core/things/thing';
import type { KindChoices } from '$core/ways/all-ways';
import type { PackStyle } from '$reference/canning';
import { jarSizes, type JarSize } from '$reference/canning-rules';
import { AppError } from '../errors';
import { id, line, parse, weightWithin } from '../parse';

/** What can be said of one way: its switches, as they are typed. */
export interface WayQuery {
	/** Which printed size, where a cut has several: "blanch:ears-small". */
	size?: string;
	cut?: string;
	/** As a cook says it: "500 g", "2 cups", "for 4", "one loaf". */
	portion?: string;
	pot?: string;
	container?: string;
	potfuls?: 'small';
	/** On trays, flat in bags, in moulds, in boxes. */
	packed?: PackStyleId;
	grams?: number;
	jar?: JarSize;
	/** Drying: thickness, skin, unblanched, the row. */
	mm?: number;
	skin?: Skin;
	blanch?: 'no';
	dry?: string;
	/** Drying air, °C. */
	air?: number;
	/** Dried in the oven. */
	oven?: 'yes';
	/** Canning: hot or raw pack. */
	style?: PackStyle;
	/** Thickness of a frozen pack. */
	pack?: number;
	/** Money as it was typed. */
	paid?: string;
	shop?: string;
}

const waySchema = Joi.object<WayQuery>({
	size: line(60).label('The size'),
	cut: line(40).label('The cut'),
	portion: line(60).label('The portion'),
	pot: id().label('The pot'),
	container: id().label('The container'),
	potfuls: Joi.string().valid('small').label('Potfuls'),
	packed: Joi.string()
		.valid(...packStyles)
		.label('How it is packed'),
	grams: weightWithin(1, 1_000_000).label('The amount'),
	jar: Joi.string()
		.valid(...jarSizes)
		.label('The jar'),
	mm: Joi.number().min(1).max(60).label('The thickness in millimetres'),
	skin: Joi.string()
		.valid(...skins)
		.label('The skin'),
	blanch: Joi.string().valid('no').label('Blanching'),
	dry: line(60).label('The drying row'),
	air: Joi.number().min(30).max(80).label('The air in °C'),
	oven: Joi.string().valid('yes').label('Where it is dried'),
	style: Joi.string().valid('hot', 'raw').label('The pack style'),
	pack: Joi.number().min(5).max(200).label('The pack’s thickness in millimetres'),
	paid: line(20).label('What was paid'),
	shop: line(20).label('The price in a shop')
});

/** What an address may say: the ways follow from it, and survive a reload. */
export function wayQuery(fields: Record<string, string>): WayQuery {
	return parse(waySchema, fields);
}

/** What a portion is read with. */
export interface PortionHome {
	readonly recipes: readonly RecipePortion[];
	readonly metricCups: boolean;
}

/** @throws {AppError} 400 it is no portion of this food */
export function portionOf(
	text: string,
	thing: Thing,
	cutId: string | undefined,
	{ recipes, metricCups }: PortionHome
): (ReadPortion & { readonly second_g?: number }) | undefined {
	const { food } = thing;
	const own = food.cuts.find((c) => c.id === thing.form);
	const cut = food.cuts.find((c) => c.id === cutId) ?? own ?? food.cuts[0];
	const bad = (words: string) =>
		new AppError(400, 'BAD_INPUT', `${words} Nothing was changed.`, [{ field: 'portion', message: words }]);
	if (!cut) return undefined;
	// "500 g + 250 g": two sizes, half of it for each.
	const sizes = text.split(/\s*\+\s*/).map((size) => {
		const read = readPortion(size, { food, cut, metricCups, recipes, person_g: usualPerson_g });
		if (!read)
			throw bad(
				`“${size}” is no portion of ${food.name} that I know: say a weight, cups or pints, pieces, “for 4”, or a recipe of yours.`
			);
		if (read.grams < 10 || read.grams > 20_000) throw bad('A portion is from 10 g to 20 kg.');
		return read;
	});
	if (sizes.length > 2) throw bad('Two sizes at the most: “500 g + 250 g”.');
	const [first, second] = sizes;
	return first && { ...first, ...(second ? { second_g: second.grams } : {}) };
}

/** What was said of a way as the core takes it. @throws {AppError} 400 an unknown cut, no portion */
export function choicesOf(query: WayQuery, thing: Thing, home: PortionHome): KindChoices & { readonly words: string } {
	const { food } = thing;
	if (query.cut && !food.cuts.some((c) => c.id === query.cut)) {
		throw new AppError(
			400,
			'UNKNOWN_CUT',
			`${food.name} are not cut as "${query.cut}". Known: ${food.cuts.map((c) => c.id).join(', ')}. Nothing was changed.`,
			[{ field: 'cut', message: 'Unknown cut.' }]
		);
	}
	const portion = query.portion === undefined ? undefined : portionOf(query.portion, thing, query.cut, home);
	return {
		words: portion?.words ?? '',
		...(query.size ? { size: query.size } : {}),
		...(query.cut ? { cut: query.cut } : {}),
		...(portion ? { portion_g: portion.grams, portionWords: portion.words } : {}),
		...(portion?.second_g === undefined ? {} : { second_g: portion.second_g }),
		...(query.packed ? { style: query.packed } : {}),
		...(query.pot ? { potId: query.pot } : {}),
		...(query.container ? { containerId: query.container } : {}),
		...(query.potfuls === 'small' ? { smaller: true } : {})
	};
}

/** What of an address or of what was kept could not be read: said beside its field; the rest is worked out all the same. */
export interface WayFault {
	readonly field: string;
	readonly message: string;
	readonly typed: string;
}

/** Fields of one way as far as they can be read. @throws whatever is no fault of a field */
export function readable(fields: Readonly<Record<string, string>>, thing: Thing, home: PortionHome) {
	const good: Record<string, string> = { ...fields };
	const faults: WayFault[] = [];
	for (;;) {
		try {
			const query = wayQuery(good);
			return { query, faults, choices: choicesOf(query, thing, home) };
		} catch (thrown) {
			const bad = thrown instanceof AppError ? thrown.faults.filter((f) => f.field in good) : [];
			if (bad.length === 0) throw thrown;
			for (const { field, message } of bad) {
				faults.push({ field, message, typed: good[field] ?? '' });
				delete good[field];
			}
		}
	}
}
