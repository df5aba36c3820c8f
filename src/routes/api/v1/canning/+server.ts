import Joi from 'joi';
import { json } from '@sveltejs/kit';
import { canningSteps } from '$core/canning/steps';
import { recipeOf, sayIngredient } from '$core/canning/recipe-of';
import type { TestedProcess } from '$core/canning/find-process';
import { askByName } from '$core/things/ask-by-name';
import {
	altitudeParam,
	foodParam,
	identifiedParam,
	open,
	parseQuery,
	refusedAnswer,
	unknownFood
} from '$lib/server/api/answer';
import { line } from '$lib/server/parse';
import { jarSizes, type Gauge, type JarSize } from '$reference/canning-rules';
import type { PackStyle } from '$reference/canning';
import type { RequestHandler } from './$types';

interface Query {
	food: string;
	identified?: 'yes' | 'no';
	product?: string;
	style?: PackStyle;
	jar?: JarSize;
	altitude_m: number;
	gauge?: Gauge;
}

const schema = Joi.object<Query>({
	food: foodParam(),
	identified: identifiedParam(),
	product: line(80).label('product'),
	style: Joi.string().valid('hot', 'raw').label('style'),
	jar: Joi.string()
		.valid(...jarSizes)
		.label('jar'),
	altitude_m: altitudeParam()
		.required()
		.messages({ 'any.required': 'altitude_m is required, in metres: every canning time hangs on it' }),
	gauge: Joi.string().valid('dial', 'weighted').label('gauge')
});

const tbsp_mL = 14.78676478125;

function shown(p: TestedProcess, food: string | null) {
	const made = recipeOf(p.product, food);
	return {
		product: p.product.product,
		name: p.product.name,
		style: p.style,
		jar: p.jar,
		tested_jar: p.testedJar,
		method: p.method,
		...(p.gauge ? { gauge: p.gauge } : {}),
		minutes: p.minutes,
		...(p.psi === undefined ? {} : { psi: p.psi, kPa: p.kPa }),
		headspace_in: p.headspace_in,
		headspace_mm: Number((p.headspace_m * 1000).toFixed(1)),
		acid: p.acid
			? {
					lemon_juice_tbsp: p.acid.lemonJuice_tbsp,
					lemon_juice_mL: Number((p.acid.lemonJuice_tbsp * tbsp_mL).toFixed(1)),
					citric_acid_tsp: p.acid.citricAcid_tsp ?? null,
					vinegar_tbsp: p.acid.vinegar_tbsp ?? null,
					words: p.acid.words
				}
			: null,
		sterilise_jars: p.sterileJars,
		steam_canner: p.steamCanner,
		tested_recipe_only: p.product.recipe ?? false,
		ingredients: (made?.ingredients ?? []).map((i) => sayIngredient(i, 'metric')),
		keep: made?.keep ?? [],
		prepare: p.product.prepare,
		mind: p.product.mind ?? [],
		source: p.sourceTitle,
		confidence: p.confidence,
		recalled: p.row.recalls === 'agreed' ? 'twice' : 'once'
	};
}

/** Tested canning processes. 200 all that fit, 400 malformed or no altitude, 404 unknown food, 422 refused. */
export const GET: RequestHandler = ({ url }) =>
	open(() => {
		const query = parseQuery(schema, url);
		const { identified, ...asked } = query;
		const advice = askByName({ way: 'can', ...asked, ...(identified ? { identified: identified === 'yes' } : {}) });
		if (advice.kind === 'refused' && advice.rule === 'unknown-food') throw unknownFood(query.food);
		if (advice.kind === 'refused') return refusedAnswer(advice);
		return json({
			food: advice.food?.id ?? query.food,
			altitude_m: query.altitude_m,
			processes: advice.processes.map((p) => shown(p, advice.food?.id ?? null)),
			general: [...new Set(advice.processes.map((p) => p.method))].map((method) => ({
				method,
				steps: canningSteps(method, 'metric')
			})),
			cautions: advice.cautions.map((c) => c.text)
		});
	});
