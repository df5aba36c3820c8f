import { json } from '@sveltejs/kit';
import Joi from 'joi';
import { haulOf, usualWishes, wishKinds, type Wishes } from '$core/haul/from-ways';
import type { Lock } from '$core/haul/haul';
import { offerIn } from '$lib/haul/offer-in';
import { AppError } from '$lib/server/errors';
import { offerView } from '$lib/server/offer';
import { line, parse, readJson } from '$lib/server/parse';
import { endpoint } from '$lib/server/respond';
import { haulView } from '$lib/server/share-haul';
import { onServer } from '$lib/server/solver';
import type { RequestHandler } from './$types';

interface Asked {
	days: number;
	wishes: Wishes;
	locks: Lock[];
	/** An offer, where it is asked about one. */
	say?: string;
}
const wish = Joi.number().integer().min(0).max(4);
const shape = Joi.object<Asked>({
	days: Joi.number().integer().min(1).max(14).required(),
	wishes: Joi.object(Object.fromEntries(wishKinds.map((k) => [k, wish.required()]))).default(usualWishes),
	locks: Joi.array()
		.max(120)
		.items(Joi.object({ way: Joi.string().max(120).required(), kg: Joi.number().min(0).max(100_000).required() }))
		.default([]),
	say: line(200)
});
/** Shorter than in the page: others wait for the same cores. */
const seconds = 4;

/** The household's own haul worked out on the server, for a page whose browser cannot; nothing is changed by it. */
export const POST: RequestHandler = ({ request, locals }) =>
	endpoint(async () => {
		const { days, wishes, locks, say } = parse(shape, (await readJson(request)) as Record<string, string>);
		const { stores, household, now } = locals;
		const { lots, kitchen, rooms } = await haulView(stores, now);
		const haul = haulOf({ kitchen, rooms, lots, days, wishes, locks, now: now.getTime() });
		if (say === undefined)
			return json({
				haul,
				...(await onServer(seconds + 12, (work, tell) => work.share(haul, { seconds, gap: 0.01 }, tell)))
			});
		const { lot } = await offerView(stores, household, say, now);
		const offer = lot && offerIn({ kitchen, rooms, lot, days, now: now.getTime() });
		if (!offer) throw new AppError(400, 'BAD_INPUT', 'Nothing is offered in that line. Nothing was changed.');
		return json(
			await onServer(9 * seconds, (work, tell) => work.before(haul, offer, { seconds: seconds * 0.75 }, tell))
		);
	});
