import { networkInterfaces } from 'node:os';
import { AppError } from './errors';

/** Names that lead to this machine from itself. */
const loopback = new Set(['localhost', '127.0.0.1', '[::1]']);

export interface DoorSettings {
	/** Where the application says that it is: ORIGIN. */
	readonly origin: string;
	/** The address it listens on: HOST. */
	readonly host: string;
	/** `1`: names of the home network that end in .local are let in too. */
	readonly localNames: boolean;
}

const nameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/** Whether it listens to more than this machine. */
export const isOpened = (host: string): boolean => !loopback.has(host) && host !== '::1';

/** The names by which this copy may be asked for; anything else is somebody else's page that points here. */
export function allowedNames({ origin, host }: DoorSettings): Set<string> {
	const names = new Set(loopback);
	if (URL.canParse(origin)) names.add(new URL(origin).hostname.toLowerCase());
	if (isOpened(host)) {
		for (const list of Object.values(networkInterfaces()))
			for (const one of list ?? []) names.add(one.family === 'IPv6' ? `[${one.address.toLowerCase()}]` : one.address);
	}
	return names;
}

/**
 * Lets a request in by the name that it came under.
 *
 * @throws {AppError} 421 another name; 403 a write that another page sent
 */
export function checkDoor(request: Request, settings: DoorSettings, byToken: boolean): void {
	const host = request.headers.get('host') ?? '';
	const name = nameOf(host);
	if (!allowedNames(settings).has(name) && !(settings.localNames && /^[a-z0-9-]+\.local$/.test(name)))
		throw new AppError(
			421,
			'OTHER_HOST',
			`Root Jar does not answer under the name "${name.slice(0, 60)}". Open it by the address that it printed when it started. Nothing was done.`
		);
	if (['GET', 'HEAD', 'OPTIONS'].includes(request.method) || byToken) return;
	const from = request.headers.get('origin');
	// Behind a proxy the page stands under ORIGIN, whatever name the proxy asks by.
	const own =
		from !== null && (from === settings.origin || (URL.canParse(from) && new URL(from).host === host.toLowerCase()));
	if (!own)
		throw new AppError(
			403,
			'OTHER_ORIGIN',
			'This was not sent by a page of Root Jar under this address, so nothing was done. Open it anew and try again.'
		);
}

/** Characters that no address of ours has. @throws {AppError} 400 */
export function checkAddress(url: URL): void {
	let text: string;
	try {
		text = decodeURIComponent(url.pathname) + [...url.searchParams].flat().join('');
	} catch {
		throw new AppError(400, 'BAD_INPUT', 'This address is garbled. Nothing was done.');
	}
	if (text.includes('\0') || !isWellFormed(text))
		throw new AppError(400, 'BAD_INPUT', 'This address has characters that cannot be. Nothing was done.');
}

/** Without half a surrogate pair, which no database keeps. */
export const isWellFormed = (text: string): boolean =>
	!/[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/.test(text);

/** The name of a form's action, where it is a name at all: nothing inherited answers for one. @throws {AppError} 404 */
export function checkAction(url: URL): void {
	for (const name of url.searchParams.keys())
		if (name.startsWith('/') && (!/^\/[a-zA-Z]+$/.test(name) || name.slice(1) in Object.prototype))
			throw new AppError(404, 'NO_ACTION', 'There is no such form here. Nothing was done.');
}

/** Headers of every answer: what a browser may guess, tell, embed and keep of it. */
export function guard(response: Response, open: boolean): void {
	const set = (name: string, value: string) => {
		if (!response.headers.has(name)) response.headers.set(name, value);
	};
	set('x-content-type-options', 'nosniff');
	set('referrer-policy', 'same-origin');
	set('cross-origin-resource-policy', open ? 'cross-origin' : 'same-origin');
	if (!open) response.headers.set('cache-control', 'no-store');
}
