import Joi from 'joi';
import { json } from '@sveltejs/kit';
import { AppError } from '$lib/server/errors';
import { gaugeIntoRuns } from '$lib/server/instruments/gauge';
import { parse } from '$lib/server/parse';
import { endpoint } from '$lib/server/respond';
import type { SentReading } from '$lib/server/stores/instruments';
import type { RequestHandler } from './$types';

const most = 500;
/** Below what the server reads of any body. */
const mostBytes = 60_000;
const line = Joi.object<SentReading>({
	at: Joi.number().integer().min(0).max(8.64e15).label('Its time'),
	value: Joi.number().required().label('The value'),
	unit: Joi.string().max(10).required().label('The unit'),
	steady: Joi.boolean().label('Whether it is at rest'),
	fault: Joi.string().max(80).allow('').label('The fault'),
	battery: Joi.number().min(0).max(1).label('The battery')
});

/**
 * Readings of one instrument, which says who it is by its token: JSON lines, the oldest first. 200 how many were kept, and
 * why others were not; 400 malformed, 401, 413.
 */
export const POST: RequestHandler = ({ locals, request }) =>
	endpoint(async () => {
		const { instrument, stores, now } = locals;
		if (!instrument) throw new AppError(401, 'NOT_PAIRED', 'This instrument is not known here. Nothing was kept.');
		const text = await request.text();
		const lines = text.split('\n').filter((l) => l.trim() !== '');
		if (text.length > mostBytes || lines.length > most)
			throw new AppError(413, 'TOO_MUCH', `At most ${most} readings at once. Nothing was kept; send them in parts.`);
		const sent = lines.map((l, i) => {
			try {
				return JSON.parse(l) as unknown;
			} catch {
				throw new AppError(400, 'BAD_INPUT', `Line ${i + 1} is no JSON. Nothing was kept.`, [
					{ field: `${i}`, message: 'No JSON.' }
				]);
			}
		});
		const readings = parse(Joi.array<SentReading[]>().items(line).min(1).required().label('Readings'), sent) as SentReading[]; // prettier-ignore
		const answer = await stores.instruments.keep(instrument, readings);
		await gaugeIntoRuns(stores, instrument, now);
		return json(answer);
	});
