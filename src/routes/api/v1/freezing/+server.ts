import Joi from 'joi';
import { json } from '@sveltejs/kit';
import { lookUpFreezing } from '$core/freezing/freeze-look-up';
import { thingNamed, identifiedParam, foodParam, open, parseQuery, refusedAnswer } from '$lib/server/api/answer';
import { asked, shownFreezing } from '$lib/server/api/other-ways';
import { line } from '$lib/server/parse';
import { freezerPacks } from '$reference/other-ways';
import type { RequestHandler } from './$types';

const schema = Joi.object<{ food: string; identified?: 'yes' | 'no'; pack?: string }>({
	food: foodParam(),
	identified: identifiedParam(),
	pack: line(40).label('pack')
});

/** How a food is frozen, cut by cut, in a pack. 200, 400 malformed or unknown pack, 404 unknown food, 422 refused. */
export const GET: RequestHandler = ({ url }) =>
	open(() => {
		const { food: name, identified, pack } = parseQuery(schema, url);
		const thing = thingNamed(name, identified);
		const answer = asked(
			() => lookUpFreezing({ thing, ...(pack === undefined ? {} : { pack }) }),
			freezerPacks.map((p) => p.id)
		);
		return answer.kind === 'refused' ? refusedAnswer(answer) : json(shownFreezing(answer));
	});
