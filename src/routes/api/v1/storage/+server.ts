import Joi from 'joi';
import { json } from '@sveltejs/kit';
import {
	lookUpStorage,
	storagePacks,
	storageWays,
	type StoragePack,
	type StorageWay
} from '$core/storing/storage-look-up';
import {
	thingNamed,
	identifiedParam,
	foodParam,
	numberParam,
	open,
	parseQuery,
	refusedAnswer
} from '$lib/server/api/answer';
import { asked, shownStorage } from '$lib/server/api/other-ways';
import type { RequestHandler } from './$types';

interface Query {
	food: string;
	identified?: 'yes' | 'no';
	way: StorageWay;
	pack?: StoragePack;
	temp_c?: number;
}
const schema = Joi.object<Query>({
	food: foodParam(),
	identified: identifiedParam(),
	way: Joi.string()
		.valid(...storageWays)
		.required()
		.label('way'),
	pack: Joi.string()
		.valid(...storagePacks)
		.label('pack'),
	temp_c: numberParam('temp_c', 'degrees Celsius', -60, 60, '4')
});

/** How long a food keeps. 200 each case, 400 malformed, 404 unknown food, 422 unsafe or no figure known. */
export const GET: RequestHandler = ({ url }) =>
	open(() => {
		const { food: name, identified, way, pack, temp_c } = parseQuery(schema, url);
		const thing = thingNamed(name, identified);
		const answer = asked(() =>
			lookUpStorage({
				thing,
				way,
				...(pack === undefined ? {} : { pack }),
				...(temp_c === undefined ? {} : { temp_C: temp_c })
			})
		);
		return answer.kind === 'refused' ? refusedAnswer(answer) : json(shownStorage(answer));
	});
