import Ajv2020 from 'ajv/dist/2020.js';
import { expect } from 'vitest';
import { openApi } from '../../src/lib/server/api/openapi';
import { GET as blanch } from '../../src/routes/api/v1/blanch/+server';
import { GET as canning } from '../../src/routes/api/v1/canning/+server';
import { GET as cooking } from '../../src/routes/api/v1/cooking/+server';
import { GET as drying } from '../../src/routes/api/v1/drying/+server';
import { GET as foods } from '../../src/routes/api/v1/foods/+server';
import { GET as food } from '../../src/routes/api/v1/foods/[id]/+server';
import { GET as freezing } from '../../src/routes/api/v1/freezing/+server';
import { GET as description } from '../../src/routes/api/v1/openapi.json/+server';
import { GET as ratio } from '../../src/routes/api/v1/ratio/+server';
import { GET as understandLine } from '../../src/routes/api/v1/understand/+server';
import { GET as storage } from '../../src/routes/api/v1/storage/+server';

type Handler = (event: never) => Response | Promise<Response>;
/** Every endpoint of a model, by its folder. */
const modelFiles = import.meta.glob<{ GET: Handler }>('../../src/routes/api/v1/models/*/+server.ts', { eager: true });
export const models: Readonly<Record<string, Handler>> = Object.fromEntries(
	Object.entries(modelFiles).map(([file, { GET }]) => [file.replace(/^.*src\/routes|\/\+server\.ts$/g, ''), GET])
);
const handlers: Readonly<Record<string, Handler>> = {
	'/api/v1/foods': foods,
	'/api/v1/foods/{id}': food,
	'/api/v1/blanch': blanch,
	'/api/v1/canning': canning,
	'/api/v1/drying': drying,
	'/api/v1/freezing': freezing,
	'/api/v1/storage': storage,
	'/api/v1/cooking': cooking,
	'/api/v1/ratio': ratio,
	'/api/v1/understand': understandLine,
	...models,
	'/api/v1/openapi.json': description
};

const ajv = new Ajv2020({ strict: false, allErrors: true });
ajv.addSchema(openApi, 'openapi');
const checks = new Map<string, ReturnType<typeof ajv.compile>>();
/** The check for one answer of one path, as the description has it. */
function checkOf(path: string, status: number) {
	const key = `${path} ${status}`;
	const known = checks.get(key);
	if (known) return known;
	const pointer = ['paths', path, 'get', 'responses', String(status), 'content', 'application/json', 'schema']
		.map((part) => part.replaceAll('~', '~0').replaceAll('/', '~1'))
		.join('/');
	const check = ajv.compile({ $ref: `openapi#/${encodeURI(pointer)}` });
	checks.set(key, check);
	return check;
}

export interface Body {
	[name: string]: unknown;
	readonly minutes?: number;
	readonly processes?: readonly Record<string, unknown>[];
	readonly error?: { code: string; message: string; faults: { field: string }[]; near?: string[] };
	readonly instead?: readonly string[];
}

/** Calls an endpoint and holds its answer against the description. */
export async function call(
	path: string,
	query: Record<string, string> | string = {},
	id = ''
): Promise<{ status: number; body: Body }> {
	const search = typeof query === 'string' ? query : new URLSearchParams(query).toString();
	const url = new URL(`http://root.jar${path.replace('{id}', encodeURIComponent(id))}?${search}`);
	const handler = handlers[path];
	if (!handler) throw new Error(path);
	const response = await handler({ url, params: { id } } as never);
	const body = (await response.json()) as Body;
	const check = checkOf(path, response.status);
	expect(check(body), `${url.pathname}${url.search} ${response.status}: ${ajv.errorsText(check.errors)}`).toBe(true);
	return { status: response.status, body };
}
