/**
 * The one clock. In tests (and only there) a cookie sets it: `+5000` shifts it by milliseconds, an ISO instant stops it.
 */
export function clockOf(cookie: string | undefined, testing: boolean): Date {
	const real = Date.now();
	if (!testing || !cookie) return new Date(real);
	if (/^[+-]\d{1,12}$/.test(cookie)) return new Date(real + Number(cookie));
	const fixed = Date.parse(cookie);
	return new Date(Number.isNaN(fixed) ? real : fixed);
}
