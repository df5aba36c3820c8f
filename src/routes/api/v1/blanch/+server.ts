import Joi from 'joi';
import { json } from '@sveltejs/kit';
import { DomainError } from '$core/errors';
import { cutNames, lookUpBlanch } from '$core/freezing/blanch-look-up';
import {
	altitudeParam,
	thingNamed,
	identifiedParam,
	foodParam,
	open,
	parseQuery,
	refusedAnswer
} from '$lib/server/api/answer';
import { AppError } from '$lib/server/errors';
import { line } from '$lib/server/parse';
import type { RequestHandler } from './$types';

interface Query {
	food: string;
	identified?: 'yes' | 'no';
	cut?: string;
	method?: 'water' | 'steam';
	altitude_m?: number;
}

const schema = Joi.object<Query>({
	food: foodParam(),
	identified: identifiedParam(),
	cut: line(60).label('cut'),
	method: Joi.string().valid('water', 'steam').label('method'),
	altitude_m: altitudeParam()
});

/** Blanching for the freezer. 200 the time (0 and why where none is needed), 400 malformed or unknown cut, 404 unknown food, 422 refused. */
export const GET: RequestHandler = ({ url }) =>
	open(() => {
		const query = parseQuery(schema, url);
		const thing = thingNamed(query.food, query.identified);
		const { food } = thing;
		let answer;
		try {
			answer = lookUpBlanch({
				thing,
				...(query.cut === undefined ? {} : { cut: query.cut }),
				...(query.method ? { method: query.method } : {}),
				...(query.altitude_m === undefined ? {} : { altitude_m: query.altitude_m })
			});
		} catch (thrown) {
			if (!(thrown instanceof DomainError) || thrown.code !== 'UNKNOWN_CUT') throw thrown;
			throw new AppError(400, thrown.code, thrown.message, [{ field: 'cut', message: thrown.message }], cutNames(food));
		}
		if (answer.kind === 'refused') return refusedAnswer(answer);
		const [least, most] = answer.minutes;
		return json({
			food: food.id,
			name: food.name,
			cut: answer.cut.id,
			cut_name: answer.row?.cut ?? answer.cut.name,
			usual_cut: answer.usual,
			method: answer.method,
			minutes: most,
			minutes_range: [least, most],
			basis: answer.basis,
			optional: answer.optional,
			altitude_m: query.altitude_m ?? null,
			altitude_minute: answer.altitudeMinute,
			chill_minutes: answer.chill_min,
			chill_minutes_published: answer.chillPublished_min,
			why: answer.why,
			sizes: answer.sizes.map((r) => ({
				size: r.id.split('/')[1] ?? '',
				words: r.cut,
				method: r.method,
				minutes_range: r.minutes
			})),
			source: answer.source,
			confidence: answer.confidence,
			cautions: answer.cautions.map((c) => c.text)
		});
	});
