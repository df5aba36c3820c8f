import { error, fail, json, type ActionFailure, type RequestEvent } from '@sveltejs/kit';
import type { Units } from '$core/quantities/format';
import { pageInUnits } from '$core/quantities/household-words';
import { AppError, asAppError, type ErrorBody } from './errors';
import { checkCharacters, formOf } from './parse';

/**
 * Runs a page's load: an error of ours becomes the page that says so, with its status. With the household's units, every
 * sentence of ours in it is said in those.
 */
export async function page<T>(work: () => Promise<T>, units?: Units, more: readonly string[] = []): Promise<T> {
	try {
		const data = await work();
		return units ? pageInUnits(data, units, more) : data;
	} catch (thrown) {
		const known = asAppError(thrown);
		if (known) error(known.status, { message: known.message, code: known.code });
		throw thrown;
	}
}

export type Failed = ErrorBody & { typed: Record<string, string>; action: string };

/** "/pot" of "?/pot": which form of a page it was. */
const actionOf = (url: URL): string => [...url.searchParams.keys()].find((k) => k.startsWith('/')) ?? '';

/** Runs a form's action: an error of ours goes back to the form together with everything that was typed. */
export async function action<T>(
	event: RequestEvent,
	work: (fields: Record<string, string>) => Promise<T>
): Promise<T | ActionFailure<Failed>> {
	let typed: Record<string, string> = {};
	try {
		const { household, shownIn, ...fields } = await formOf(event.request);
		typed = fields;
		checkCharacters(fields);
		sameHousehold(household, event.locals.household);
		sameUnits(shownIn, fields, event.locals.household);
		return await work(fields);
	} catch (thrown) {
		const known = asAppError(thrown);
		if (known) return fail(known.status, { ...known.body, typed, action: actionOf(event.url) });
		throw thrown;
	}
}

/** A form is for the household that its page showed, whichever was chosen since in another tab. @throws {AppError} 409 */
function sameHousehold(said: string | undefined, household: { id: string; name: string }): void {
	if (said === household.id) return;
	throw new AppError(
		409,
		'OTHER_HOUSEHOLD',
		said === undefined
			? 'This form does not say which household it is for. Nothing was done; open the page anew and send it again.'
			: `This page was opened in another household; this browser is in “${household.name}” now. Nothing was done: go back to the other one in the Kitchen, or open the page anew.`
	);
}

/**
 * A bare number is in the units that its page showed: where the household's were changed since, it is not read at all. A form
 * that says its own unit needs none. @throws {AppError} 409
 */
function sameUnits(said: string | undefined, fields: Record<string, string>, household: { units: Units }): void {
	if (said === undefined || said === household.units || (fields.unit ?? fields.units) !== undefined) return;
	throw new AppError(
		409,
		'OTHER_UNITS',
		'The units of this household were changed since this page was opened. Nothing was saved: open the page anew, and its numbers are in the new ones.'
	);
}

/** Runs an endpoint: the one shape of error, as JSON. */
export async function endpoint(work: () => Promise<Response>): Promise<Response> {
	try {
		return await work();
	} catch (thrown) {
		const known = asAppError(thrown);
		if (known) return json(known.body, { status: known.status });
		throw thrown;
	}
}

/** Which device did it: a short name from the browser's words, for the book. */
export function deviceOf(event: RequestEvent): string {
	const agent = event.request.headers.get('user-agent') ?? '';
	if (/iPhone|Android.*Mobile/i.test(agent)) return 'phone';
	if (/iPad|Android/i.test(agent)) return 'tablet';
	return 'computer';
}
