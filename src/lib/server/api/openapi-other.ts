import { storagePacks, storageWays } from '$core/storing/storage-look-up';
import { freezerPacks, recipeKinds } from '$reference/other-ways';
import {
	answer,
	asked,
	foodParameter,
	identifiedParameter,
	list,
	malformed,
	number,
	object,
	orNull,
	pair,
	parameter,
	ref,
	refused,
	sourced,
	text,
	texts,
	unknown
} from './openapi-parts';

const recalled = { enum: ['once', 'twice', null] } as const;
const maybe = orNull(text);
const note = { type: 'string' } as const;
const asks = (...parameters: readonly object[]) => [foodParameter, identifiedParameter, ...parameters];
const responses = (ok: object, refusable = true) => ({
	200: ok,
	300: asked,
	400: malformed,
	404: unknown,
	...(refusable ? { 422: refused } : {})
});

/** Freezing, drying, storing, cooking and the ratios. */
export const otherPaths = {
	'/api/v1/drying': {
		get: {
			operationId: 'getDrying',
			summary: 'How a food is dried: the printed row. Hours are never scaled to another thickness.',
			parameters: asks(
				parameter('cut', 'A word of the cut: "halves", "slices". Without it the first row.', text),
				parameter('thickness_mm', 'Of the piece; the answer says how it stands to the printed one.', {
					type: 'number',
					minimum: 0.1,
					maximum: 200
				})
			),
			responses: responses(answer('The row, with what comes before and after.', 'Drying'))
		}
	},
	'/api/v1/freezing': {
		get: {
			operationId: 'getFreezing',
			summary: 'How a food is frozen, cut by cut: what is done before, months in a pack, how it is used.',
			parameters: asks(parameter('pack', 'Freezer bag without it.', { enum: freezerPacks.map((p) => p.id) })),
			responses: responses(answer('Every cut and method.', 'Freezing'))
		}
	},
	'/api/v1/storage': {
		get: {
			operationId: 'getStorage',
			summary: 'How long a food keeps by a way, and its second clock. Between two printed temperatures, the shorter.',
			parameters: asks(
				parameter('way', 'How it is kept.', { enum: [...storageWays] }, true),
				parameter('pack', 'For the freezer and for vacuum.', { enum: [...storagePacks] }),
				parameter('temp_c', 'Of the place, °C; the printed temperatures without it.', {
					type: 'number',
					minimum: -60,
					maximum: 60
				})
			),
			responses: responses(answer('Each case.', 'Storage'))
		}
	},
	'/api/v1/cooking': {
		get: {
			operationId: 'getCooking',
			summary: 'The safe temperature inside, losses, cooling, thawing, and how each pack is used.',
			parameters: asks(),
			responses: responses(answer('The food in the kitchen.', 'Cooking'), false)
		}
	},
	'/api/v1/ratio': {
		get: {
			operationId: 'getRatio',
			summary: 'A jam, syrup, brine, pickle or kraut for what there is: in whole sets where the recipe is exact.',
			parameters: [
				parameter('recipe', 'Its id or name.', text, true),
				parameter('have', 'Of its main ingredient: "11 cups", "2.3 kg", "5 lb". One set without it.', text)
			],
			responses: {
				200: answer('What to measure out.', 'Ratio'),
				400: malformed,
				404: answer('No such recipe; near ones are offered.', 'Error')
			}
		}
	}
} as const;

const heatStep = object({
	words: text,
	temp_F: orNull(number),
	temp_C: orNull(number),
	minutes: orNull(number),
	...sourced
});
const blanch = object({ size: text, method: { enum: ['water', 'steam'] }, minutes_range: pair, ...sourced });
const keeps = object({
	what: text,
	time_range: pair,
	unit: { enum: ['h', 'day', 'week', 'month', 'year'] },
	temp_C: orNull(number),
	basis: { enum: ['table', 'scaled'], description: 'As printed, or scaled by the freshness clock.' },
	at: maybe,
	note: maybe,
	...sourced
});
const ingredient = object({ what: text, range: pair, unit: text, metric: text, mL_range: pair }, ['mL_range']);
const quantity = object({ amount: number, unit: text });

export const otherSchemas = {
	Figure: object({
		id: text,
		what: text,
		range: pair,
		unit: { ...text, description: 'As printed.' },
		metric: text,
		at: maybe,
		note: maybe,
		...sourced,
		recalled
	}),
	Drying: object({
		food: text,
		name: text,
		cut: text,
		pretreat: text,
		steam_minutes_range: orNull(pair),
		water_minutes_range: orNull(pair),
		water_is_dip: { type: 'boolean' },
		hours_range: pair,
		temp_F_range: pair,
		temp_C_range: pair,
		thickness_mm_range: orNull(pair),
		thickness_asked_mm: orNull(number),
		thickness_fit: { enum: ['as printed', 'thinner', 'thicker', 'not printed', 'not asked'] },
		thickness_note: note,
		dry_test: text,
		heat_steps: list(heatStep),
		figures: list(ref('Figure')),
		rehydrate: orNull(object({ cups_water_per_cup: number, water: text, hours: number, ...sourced })),
		yields: orNull(object({ fresh_kg: number, dried_kg: number, pints_range: orNull(pair), ...sourced })),
		odour: orNull(object({ group: text, load_alone: { type: 'boolean' }, words: text, ...sourced })),
		cuts: list(object({ id: text, cut: text, hours_range: pair, ...sourced })),
		note,
		...sourced,
		recalled,
		cautions: texts
	}),
	Freezing: object({
		food: text,
		name: text,
		pack: object({ id: text, name: text, words: text, ...sourced }),
		cuts: list(
			object({
				cut: text,
				name: text,
				method: { enum: ['blanched', 'cooked', 'raw'] },
				blanch: list(blanch),
				months_range: pair,
				why: note,
				use: text,
				...sourced
			}),
			{ minItems: 1 }
		),
		refused: list(object({ cut: text, reason: text, instead: texts })),
		styles: list(object({ id: text, name: text, words: text, ...sourced })),
		ratios: texts,
		headspace: list(ref('Figure')),
		cautions: texts
	}),
	Storage: object({
		food: text,
		name: text,
		way: { enum: [...storageWays] },
		keeps: list(keeps, { minItems: 1 }),
		wants: orNull(object({ C: pair, relative_humidity: pair, weeks: pair, note: maybe, ...sourced })),
		apart_from: list(object({ because: text, foods: texts, ...sourced })),
		second_clock: list(keeps),
		cautions: texts
	}),
	Cooking: object({
		food: text,
		name: text,
		inside: orNull(heatStep),
		always_cooked: maybe,
		after: list(heatStep),
		figures: list(ref('Figure')),
		thaw: list(ref('Figure')),
		use: list(object({ cut: text, words: text })),
		cautions: texts
	}),
	Ratio: object({
		recipe: text,
		name: text,
		kind: { enum: [...recipeKinds] },
		scale: { enum: ['whole', 'linear'] },
		sets: number,
		have: quantity,
		converted_from_weight: { type: 'boolean' },
		set: list(ingredient, { minItems: 1 }),
		all: list(ingredient, { minItems: 1 }),
		makes: orNull(object({ range: pair, unit: text })),
		left: quantity,
		short: quantity,
		salt_g_range: orNull(pair),
		words: text,
		steps: texts,
		canning_product: maybe,
		note: maybe,
		...sourced,
		recalled
	})
} as const;
