import Joi from 'joi';
import { json } from '@sveltejs/kit';
import { lookUpDrying, dryingRowsOf } from '$core/drying/dry-look-up';
import { waysOn } from '$core/safety/ways-on';
import {
	thingNamed,
	identifiedParam,
	foodParam,
	numberParam,
	open,
	parseQuery,
	refusedAnswer
} from '$lib/server/api/answer';
import { asked, shownDrying } from '$lib/server/api/other-ways';
import { line } from '$lib/server/parse';
import { sources } from '$reference/sources';
import type { RequestHandler } from './$types';

interface Query {
	food: string;
	identified?: 'yes' | 'no';
	cut?: string;
	thickness_mm?: number;
}
const schema = Joi.object<Query>({
	food: foodParam(),
	identified: identifiedParam(),
	cut: line(60).label('cut'),
	thickness_mm: numberParam('thickness_mm', 'millimetres', 0.1, 200, '6')
});

/** How a food is dried. 200 the printed row, 400 malformed or unknown cut, 404 unknown food, 422 refused or no row. */
export const GET: RequestHandler = ({ url }) =>
	open(() => {
		const query = parseQuery(schema, url);
		const thing = thingNamed(query.food, query.identified);
		const { food } = thing;
		const { cut, thickness_mm } = query;
		const answer = asked(
			() =>
				lookUpDrying({
					thing,
					...(cut === undefined ? {} : { cut }),
					...(thickness_mm === undefined ? {} : { thickness_mm })
				}),
			dryingRowsOf(food).map((r) => r.id)
		);
		if (answer.kind === 'refused') return refusedAnswer(answer);
		if (!answer.row)
			return refusedAnswer({
				kind: 'refused',
				reason: `No drying hours are carried here for ${food.name}, and none are made up.`,
				source: sources.ugaDrying.title,
				instead: waysOn(food, true)
			});
		return json(shownDrying(answer, answer.row, thickness_mm));
	});
