import { json } from '@sveltejs/kit';
import type { AppError } from './errors';

const escape = (text: string) => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

const page = (title: string, body: string) => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${escape(title)} · Root Jar</title>
<style>
body{font:18px/1.5 system-ui,sans-serif;background:#f3f5f2;color:#1a2430;margin:0;padding:8vh 20px}
main{max-width:34rem;margin:auto;background:#fff;border:3px solid #22405c;border-radius:18px;padding:28px}
h1{font-size:28px;line-height:1.2;margin:0 0 12px;color:#22405c}
input{box-sizing:border-box;max-width:100%;font:inherit;font-size:30px;letter-spacing:.2em;padding:8px 14px;width:9em;border:2px solid #22405c;border-radius:12px;min-height:44px}
button{font:inherit;font-weight:700;padding:10px 22px;border:0;border-radius:14px;background:#22405c;color:#fff;min-height:48px;cursor:pointer}
p{margin:0 0 14px}form{margin-top:18px;display:flex;gap:12px;flex-wrap:wrap;align-items:end}label{display:block}
.fault{color:#9b1c1c;font-weight:600}
@media(prefers-color-scheme:dark){body{background:#12181f;color:#e8ecef}main{background:#1b232c;border-color:#8fb4d6}h1{color:#a9cbe8}input{background:#12181f;color:#e8ecef;border-color:#8fb4d6}button{background:#a9cbe8;color:#12181f}.fault{color:#ffb1a8}}
</style></head><body><main>${body}</main></body></html>`;

const html = (status: number, title: string, body: string, headers: Record<string, string> = {}) =>
	new Response(page(title, body), {
		status,
		headers: {
			'content-type': 'text/html; charset=utf-8',
			'content-security-policy':
				"default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; frame-ancestors 'none'; base-uri 'none'",
			...headers
		}
	});

/** Whether a person looks at the answer, and not a script of the page. */
export const wantsPage = (request: Request): boolean =>
	(request.headers.get('accept') ?? '').includes('text/html') && !request.headers.has('x-sveltekit-action');

/** An error before any page is there: as a page for a person, in the one shape for a script. */
export function turnedAway(request: Request, error: AppError): Response {
	if (request.headers.has('x-sveltekit-action'))
		return json(
			{ type: 'error', status: error.status, error: { message: error.message, code: error.code } },
			{ status: error.status }
		);
	if (!wantsPage(request)) return json(error.body, { status: error.status });
	return html(error.status, 'Not so', `<h1>That cannot be</h1><p>${escape(error.message)}</p>`);
}

/** The household of this browser's cookie is not here: nothing is shown or written until it is said where to go on. */
export function lostHousehold(name: string | undefined): Response {
	return html(
		409,
		'Another kitchen',
		`<h1>This browser’s kitchen is not here any more.</h1>
<p>It may have been cleared, or the data were brought back from an earlier day. Nothing was changed.</p>
${name === undefined ? '' : `<form method="post" action="/household"><button>Go on in “${escape(name)}”</button></form>`}`
	);
}

/** Asks a new device for the kitchen's PIN. */
export function askPin(back: string, fault?: string): Response {
	return html(
		fault === undefined ? 401 : 403,
		'PIN',
		`<h1>The PIN of this kitchen?</h1>
<p>It was shown where Root Jar was started for the home network. This device is asked once.</p>
${fault === undefined ? '' : `<p class="fault" role="alert">${escape(fault)}</p>`}
<form method="post" action="/pin"><input type="hidden" name="back" value="${escape(back)}">
<label>Six digits<br><input name="pin" inputmode="numeric" autocomplete="one-time-code" maxlength="12" required autofocus></label><button>Let me in</button></form>`
	);
}
