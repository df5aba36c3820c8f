import { createHmac, timingSafeEqual } from 'node:crypto';
import type { RequestEvent } from '@sveltejs/kit';

const mac = (text: string, secret: string): string => createHmac('sha256', secret).update(text).digest('base64url');

/** A value with its signature: "value.signature". */
export const signed = (value: string, secret: string): string => `${value}.${mac(value, secret)}`;

/** The value of a signed text; undefined where the signature is not ours. */
export function unsigned(text: string | undefined, secret: string): string | undefined {
	const at = text?.lastIndexOf('.') ?? -1;
	if (text === undefined || at < 1) return undefined;
	const value = text.slice(0, at);
	const given = Buffer.from(text.slice(at + 1));
	const right = Buffer.from(mac(value, secret));
	return given.length === right.length && timingSafeEqual(given, right) ? value : undefined;
}

const isId = (text: string) => /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(text);

/** The household that a browser says it is in: `none` without a cookie, `unknown` where the cookie is not ours. */
export function cookieHousehold(
	cookie: string | undefined,
	secret: string
): { is: 'none' | 'unknown' } | { is: 'id'; id: string } {
	if (cookie === undefined || cookie === '') return { is: 'none' };
	const id = unsigned(cookie, secret);
	return id !== undefined && isId(id) ? { is: 'id', id } : { is: 'unknown' };
}

/** Households that this browser has been in, the last first. */
export const beenIn = (event: Pick<RequestEvent, 'cookies' | 'locals'>): string[] =>
	(unsigned(event.cookies.get('households'), event.locals.secret) ?? '').split(',').filter(isId);

/** This browser's household, and the way back to the one it was in; also over plain http in the home network. */
export function remember(event: RequestEvent, id: string): void {
	const options = {
		path: '/',
		httpOnly: true,
		sameSite: 'lax',
		maxAge: 400 * 86_400,
		secure: event.url.protocol === 'https:'
	} as const;
	const been = [...new Set([id, event.locals.household.id, ...beenIn(event)])].slice(0, 12).join(',');
	event.cookies.set('households', signed(been, event.locals.secret), options);
	event.cookies.set('household', signed(id, event.locals.secret), options);
}
