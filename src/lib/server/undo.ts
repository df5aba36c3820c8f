import type { RequestEvent } from '@sveltejs/kit';
import Joi from 'joi';
import { id, key, parse } from './parse';
import { action, deviceOf } from './respond';

/** Takes a step back by its group: the action of every page whose notices offer it. @throws {AppError} 404, 409 */
export const undoAction = (event: RequestEvent) =>
	action(event, async (fields) => {
		const { groupId, key: once } = parse(
			Joi.object<{ groupId: string; key: string }>({ groupId: id().required().label('The step'), key: key() }),
			fields
		);
		return { undone: await event.locals.stores.stock.undo(once, groupId, deviceOf(event)) };
	});
