import { json } from '@sveltejs/kit';
import Joi from 'joi';
import { AppError } from '../errors';
import { id, key, parse, readJson } from '../parse';
import { drawLabels } from './draw';
import type { Label } from './label-sheet.mjs';

/** Sheets are drawn one after the other: a heap of them keeps no other request waiting longer than one does. */
let last: Promise<unknown> = Promise.resolve();
let waiting = 0;
const mostWaiting = 20;

async function inTurn<T>(work: () => Promise<T>): Promise<T> {
	if (waiting >= mostWaiting)
		throw new AppError(429, 'BUSY', 'Many labels are being drawn just now. Try again in a moment.');
	waiting++;
	const turn = last.then(work);
	last = turn.catch(() => {});
	return turn.finally(() => waiting--);
}

/** The sheet as an answer to open and print. @throws {AppError} 429 too many are asked for at once */
export async function labelResponse(label: Label, count: number, units: 'metric' | 'us'): Promise<Response> {
	const labels = Array.from({ length: count }, () => label);
	const bytes = await inTurn(() => drawLabels(labels, units === 'us' ? 'letter' : 'a4'));
	return new Response(bytes as Uint8Array<ArrayBuffer>, {
		headers: {
			'content-type': 'application/pdf',
			'content-disposition': `inline; filename="labels-${label.code}.pdf"`,
			'cache-control': 'no-store'
		}
	});
}

/** Labels to a printer of the household: {printer, key}. @throws {AppError} 400, 404, 409 */
export async function sendLabels(
	{ locals, request }: { readonly locals: App.Locals; readonly request: Request },
	{ label, count }: { readonly label: Label; readonly count: number }
): Promise<Response> {
	const { printer, key: once } = parse(
		Joi.object<{ printer: string; key: string }>({ printer: id().required().label('The printer'), key: key() }),
		await readJson(request)
	);
	const paper = locals.household.units === 'us' ? 'letter' : 'a4';
	return json(await locals.stores.printers.send(once, printer, { label, count, paper }));
}
