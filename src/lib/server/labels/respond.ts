import { json } from '@sveltejs/kit';
import Joi from 'joi';
import type { Units } from '$core/quantities/format';
import { AppError } from '../errors';
import { id, key, parse, readJson } from '../parse';
import { drawLabels, drawPaper } from './draw';
import type { Label } from './label-sheet.mjs';
import type { Paper } from './paper.mjs';

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

const sizeOf = (units: Units) => (units === 'us' ? ('letter' as const) : ('a4' as const));
const asPdf = (bytes: Uint8Array, name: string): Response =>
	new Response(bytes as Uint8Array<ArrayBuffer>, {
		headers: {
			'content-type': 'application/pdf',
			'content-disposition': `inline; filename="${name}.pdf"`,
			'cache-control': 'no-store'
		}
	});

/** The sheet as an answer to open and print. @throws {AppError} 429 too many are asked for at once */
export async function labelResponse(label: Label, count: number, units: Units): Promise<Response> {
	const labels = Array.from({ length: count }, () => label);
	return asPdf(await inTurn(() => drawLabels(labels, sizeOf(units))), `labels-${label.code}`);
}

/** The same of a paper. @param name of the file, without its end @throws {AppError} 429 too many are asked for at once */
export const paperResponse = async (paper: Paper, name: string, units: Units): Promise<Response> =>
	asPdf(await inTurn(() => drawPaper(paper, sizeOf(units))), name);

/** Labels to a printer of the household: {printer, key}. @throws {AppError} 400, 404, 409 */
export async function sendLabels(
	{ locals, request }: { readonly locals: App.Locals; readonly request: Request },
	{ label, count }: { readonly label: Label; readonly count: number }
): Promise<Response> {
	const { printer, key: once } = parse(
		Joi.object<{ printer: string; key: string }>({ printer: id().required().label('The printer'), key: key() }),
		await readJson(request)
	);
	const paper = sizeOf(locals.household.units);
	return json(await locals.stores.printers.send(once, printer, { label, count, paper }));
}
