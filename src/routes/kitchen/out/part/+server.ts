import { json } from '@sveltejs/kit';
import Joi from 'joi';
import { addPart } from '$lib/server/out/uploads';
import { id, parse, readJson } from '$lib/server/parse';
import { endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

/** A part of a file that is taken in: requests are small here, so that a large file comes in several. */
export const POST: RequestHandler = ({ request, locals }) =>
	endpoint(async () => {
		const { upload, n, text } = parse(
			Joi.object<{ upload: string; n: number; text: string }>({
				upload: id().required(),
				n: Joi.number().integer().min(0).max(4095).required(),
				text: Joi.string().max(60_000).allow('').required()
			}),
			(await readJson(request)) as Record<string, string>
		);
		addPart(`${locals.household.id} ${upload}`, n, text, Date.now());
		return json({ kept: n });
	});
