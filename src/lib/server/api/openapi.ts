import { conditions, states } from '$core/things/thing';
import { jarSizes } from '$reference/canning-rules';
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
import { modelPaths, modelSchemas } from './openapi-models';
import { otherPaths, otherSchemas } from './openapi-other';

/** The description of the open interface, OpenAPI 3.1. A test checks every answer against it. */

const foodBrief = {
	id: { type: 'string', pattern: '^[a-z]+(-[a-z]+)*$' },
	name: text,
	names: texts,
	group: {
		enum: [
			...['vegetable', 'fruit', 'herb', 'flower', 'mushroom', 'meat', 'poultry', 'fish', 'stock', 'dish'],
			...['egg', 'dairy', 'nut', 'grain', 'pantry']
		]
	}
} as const;
const acidClass = { enum: ['low', 'high', 'borderline'] } as const;

const altitude = (required: boolean) =>
	parameter(
		'altitude_m',
		'Metres above the sea. It is not rounded before the columns of the tables are looked up.',
		{ type: 'number', minimum: -430, maximum: 9000 },
		required
	);

export const openApi = {
	openapi: '3.1.0',
	info: {
		title: 'Root Jar reference',
		version: '1.3.0',
		description:
			'Foods, blanching times, tested canning processes, freezing, drying, storing, cooking and exact ratios, and the models that compute, read-only. Figures are recalled from the named publications and not looked up in print: check them in your own copy. Your local food authority or extension service has the last word; food for sale needs licensed practice.',
		license: { name: 'MIT', identifier: 'MIT' }
	},
	servers: [{ url: '/' }],
	// Read-only reference: nobody signs in to it.
	security: [],
	paths: {
		'/api/v1/foods': {
			get: {
				operationId: 'searchFoods',
				summary: 'Foods by any part of any of their names; all of them without a word.',
				parameters: [parameter('q', 'A name or part of one; misspelt words find their neighbours.', text)],
				responses: { 200: answer('The foods found.', 'FoodList'), 400: malformed }
			}
		},
		'/api/v1/foods/{id}': {
			get: {
				operationId: 'getFood',
				summary: 'One food with its numbers.',
				parameters: [parameter('id', 'Its id or any other name.', text, true, 'path')],
				responses: { 200: answer('The food.', 'Food'), 300: asked, 400: malformed, 404: unknown, 422: refused }
			}
		},
		'/api/v1/understand': {
			get: {
				operationId: 'understandLine',
				summary:
					'How a line is read: the food, kind, form, state and grams; or a question, a refusal, or what is unclear.',
				parameters: [
					parameter(
						'line',
						'As a person writes it: "3 lb 4 oz peas in the pod, fridge".',
						{ ...text, maxLength: 200 },
						true
					),
					parameter('cups', 'US customary cups, or metric ones of 250 ml.', { enum: ['us', 'metric'] })
				],
				responses: { 200: answer('The reading, whatever it is.', 'Reading'), 400: malformed }
			}
		},
		'/api/v1/blanch': {
			get: {
				operationId: 'getBlanch',
				summary: 'How long a food is blanched for the freezer.',
				parameters: [
					foodParameter,
					identifiedParameter,
					parameter('cut', 'A cut or size; without it the food’s usual one is taken, and named.', text),
					parameter('method', 'In boiling water or in steam.', { enum: ['water', 'steam'] }),
					altitude(false)
				],
				responses: {
					200: answer('The time; 0 and why where nothing is blanched.', 'Blanch'),
					300: asked,
					400: malformed,
					404: unknown,
					422: refused
				}
			}
		},
		'/api/v1/canning': {
			get: {
				operationId: 'getCanning',
				summary:
					'The tested canning processes of a food. Nothing is computed: every time and pressure is a row of a table.',
				parameters: [
					foodParameter,
					identifiedParameter,
					parameter(
						'product',
						'What it becomes: "crushed", "whole-kernel", "jam". Without it only the food as it is.',
						text
					),
					parameter('style', 'Hot or raw pack; both without it.', { enum: ['hot', 'raw'] }),
					parameter('jar', 'Canning jar; every tested one without it.', { enum: [...jarSizes] }),
					altitude(true),
					parameter('gauge', 'Gauge of the pressure canner; both without it.', { enum: ['dial', 'weighted'] })
				],
				responses: {
					200: answer('All processes that fit.', 'Canning'),
					300: asked,
					400: malformed,
					404: unknown,
					422: refused
				}
			}
		},
		...otherPaths,
		...modelPaths,
		'/api/v1/openapi.json': {
			get: {
				operationId: 'getDescription',
				summary: 'This description.',
				responses: {
					200: { description: 'OpenAPI 3.1.', content: { 'application/json': { schema: { type: 'object' } } } },
					421: { description: 'Asked under a name that this server does not answer to.' }
				}
			}
		}
	},
	components: {
		schemas: {
			...otherSchemas,
			...modelSchemas,
			Error: object({
				error: object(
					{
						code: text,
						message: text,
						faults: list(object({ field: text, message: text })),
						near: list(text)
					},
					['near']
				)
			}),
			Asked: object({
				asked: { const: true },
				question: text,
				choices: list(object({ label: text, text }))
			}),
			Reading: {
				oneOf: [
					object({
						kind: { const: 'understood' },
						line: text,
						food: text,
						food_kind: orNull(text),
						called: text,
						form: text,
						state: { enum: [...states] },
						condition: { enum: [...conditions] },
						must_be_identified: {
							type: 'boolean',
							description: 'No way opens until someone who knows it has seen it.'
						},
						grams: { type: 'integer', minimum: 1 },
						counted: orNull(object({ number, unit: text })),
						place: orNull({ enum: ['counter', 'cool', 'fridge', 'cellar'] }),
						note: { type: 'string' },
						because: { type: 'string', description: 'How the weight was found; empty when it was weighed.' }
					}),
					object({
						kind: { const: 'asked' },
						line: text,
						question: text,
						choices: list(object({ label: text, text }))
					}),
					object({
						kind: { const: 'refused' },
						line: text,
						rule: orNull(text),
						reason: text,
						source: text,
						instead: texts
					}),
					object({
						kind: { const: 'unclear' },
						line: text,
						code: text,
						message: text,
						near: list(object({ label: text, text }))
					})
				]
			},
			Refusal: object({
				refused: { const: true },
				reason: text,
				source: text,
				instead: { ...texts, minItems: 1 }
			}),
			FoodList: object({ count: { type: 'integer' }, foods: list(object({ ...foodBrief, acid: acidClass })) }),
			Food: object({
				...foodBrief,
				acid: object({ class: acidClass, pH: pair, ...sourced }),
				composition: object(
					{
						water: number,
						protein: number,
						fat: number,
						carbohydrate: number,
						fibre: number,
						ash: number,
						unit: { const: 'g/100 g' },
						note: text,
						...sourced
					},
					['note']
				),
				forms: list(object({ id: text, name: text })),
				measures: list(
					object({ measure: text, form: text, value: number, unit: { enum: ['kg', 'lb'] }, ...sourced }, ['form'])
				),
				keeping: list(
					object({ place: { enum: ['counter', 'cool', 'fridge', 'cellar'] }, days: pair, at_C: number, ...sourced })
				),
				wants: orNull(object({ C: pair, relative_humidity: pair, weeks: pair, note: orNull(text), ...sourced })),
				kinds: list(object({ id: text, name: text, matters: text })),
				intake: text,
				cuts: list(
					object({
						id: text,
						name: text,
						yields: list(object({ form: text, value: number, ...sourced })),
						byproducts: texts
					})
				),
				blanch_cuts: texts,
				canning_products: list(object({ product: text, name: text, tested_recipe_only: { type: 'boolean' } }))
			}),
			Blanch: object({
				food: text,
				name: text,
				cut: text,
				cut_name: text,
				usual_cut: { type: 'boolean', description: 'The cut was not asked for; this is the usual one.' },
				method: { enum: ['water', 'steam', 'none'] },
				minutes: {
					...number,
					description: 'Counted from the return to the boil; the longer where a range is printed.'
				},
				minutes_range: pair,
				basis: { enum: ['table', 'rule', 'none'] },
				optional: { type: 'boolean', description: 'Raw does as well.' },
				altitude_m: orNull(number),
				altitude_minute: {
					enum: [0, 1, null],
					description: 'The minute from 5,000 ft, already in `minutes`; null where no altitude was given.'
				},
				chill_minutes: { ...number, description: 'In ice water, until the centre is cold.' },
				chill_minutes_published: { ...number, description: 'The published rule: as long as the blanch.' },
				why: { type: 'string' },
				sizes: list(object({ size: text, words: text, method: { enum: ['water', 'steam'] }, minutes_range: pair })),
				...sourced,
				cautions: texts
			}),
			Canning: object({
				food: text,
				altitude_m: number,
				processes: list(ref('Process'), { minItems: 1 }),
				general: {
					...list(object({ method: { enum: ['boiling-water', 'pressure'] }, steps: texts })),
					description: 'What holds for every load at that canner.'
				},
				cautions: texts
			}),
			Process: object(
				{
					product: text,
					name: text,
					style: { enum: ['hot', 'raw'] },
					jar: { enum: [...jarSizes] },
					tested_jar: { enum: [...jarSizes] },
					method: { enum: ['boiling-water', 'pressure'] },
					gauge: { enum: ['dial', 'weighted'] },
					minutes: { type: 'number', exclusiveMinimum: 0 },
					psi: number,
					kPa: number,
					headspace_in: number,
					headspace_mm: number,
					acid: orNull(
						object({
							lemon_juice_tbsp: number,
							lemon_juice_mL: number,
							citric_acid_tsp: orNull(number),
							vinegar_tbsp: orNull(number),
							words: text
						})
					),
					sterilise_jars: { type: 'boolean' },
					steam_canner: { type: 'boolean', description: 'An atmospheric steam canner does as well.' },
					tested_recipe_only: { type: 'boolean' },
					ingredients: { ...texts, description: 'Of a tested recipe: the minutes are for just this.' },
					keep: { ...texts, description: 'What must not be changed in it.' },
					prepare: text,
					mind: texts,
					...sourced,
					recalled: { enum: ['once', 'twice'] }
				},
				['gauge', 'psi', 'kPa']
			)
		}
	}
} as const;
