import { error, fail, json, type ActionFailure, type RequestEvent } from '@sveltejs/kit';
import type { Units } from '$core/quantities/format';
import { pageInUnits } from '$core/quantities/household-words';
import { asAppError, type ErrorBody } from './errors';
import { formOf } from './parse';

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
	const fields = await formOf(event.request);
	try {
		return await work(fields);
	} catch (thrown) {
		const known = asAppError(thrown);
		if (known) return fail(known.status, { ...known.body, typed: fields, action: actionOf(event.url) });
		throw thrown;
	}
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
