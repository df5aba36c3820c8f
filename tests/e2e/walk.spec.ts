import { randomUUID } from 'node:crypto';
import type postgres from 'postgres';
import type { BrowserContext } from '@playwright/test';
import { ask, type Answer } from '../walk/ask';
import { allRoutes, filled, paramsOf, type Route } from '../walk/routes';
import { fingerprint } from '../walk/fingerprint';
import { expect, postForm, startRun, test } from './help';

const routes = allRoutes();
const cookiesOf = async (context: BrowserContext, origin: string) =>
	(await context.cookies(origin)).map((c) => `${c.name}=${c.value}`).join('; ');

/** What stands in addresses that nobody means. */
const bad = [
	'%00',
	'%',
	'%zz',
	'%ED%A0%80',
	'%F0%9F',
	'..%2f..%2fetc%2fpasswd',
	'__proto__',
	'constructor',
	"'%20or%201=1--",
	'%25s%25n',
	'%0d%0aset-cookie:x=y',
	'-1',
	'0',
	'1e999',
	'NaN',
	'a'.repeat(2000),
	'%F0%9F%8D%85',
	'00000000-0000-4000-8000-000000000000',
	'00000000-0000-4000-8000-00000000000g',
	'%3Cscript%3E'
];
const queries = [
	'before=2026-02-30',
	'before=0000-00-00',
	'before=9999-99-99',
	'q=%00',
	'q=%ED%A0%80',
	'q=%25',
	`q=${'x'.repeat(4000)}`,
	'all=%00',
	'grams=-1',
	'grams=1e999',
	'count=480',
	'count=1e9',
	'after=-1',
	'after=99999999999999999999',
	'altitude_m=NaN',
	'food=__proto__',
	'food=%00',
	'cut=constructor',
	'runs=%00',
	'runs=,,,,',
	'id=x',
	'say=%00',
	'open=%ED%A0%80',
	'portion=1e400',
	'mm=-5',
	'units=martian',
	'a=1&a=2&a=3'
];
const fields = [
	'text',
	'lotId',
	'kind',
	'grams',
	'amount',
	'unit',
	'out',
	'transform',
	'jars',
	'lines',
	'fate',
	'finding',
	'placeId',
	'name',
	'id',
	'what',
	'altitude',
	'unit',
	'groupId',
	'way',
	'answer',
	'how',
	'sure',
	'litres',
	'tempC',
	'count',
	'food',
	'measure'
];

/** Values that every parameter may have: those of one household, encoded. */
type World = Record<string, string>;

async function worldOf(sql: postgres.Sql, household: string): Promise<World> {
	const one = async (query: Promise<readonly postgres.Row[]>) => ((await query)[0]?.v as string | undefined) ?? '';
	const raw = await one(
		sql`select l.id as v from lot l join lot_balance b on b.lot_id = l.id where l.household_id = ${household} and l.waiting and b.amount > 0 order by l.id limit 1`
	);
	const packs = await one(
		sql`select l.id as v from lot l join lot_balance b on b.lot_id = l.id where l.household_id = ${household} and l.unit = 'pack' and b.amount > 1 order by l.id limit 1`
	);
	const code = await one(
		sql`select code as v from batch where household_id = ${household} order by created_at limit 1`
	);
	const run = await one(sql`select id as v from run where household_id = ${household} limit 1`);
	const output = await one(sql`select code as v from run_output where household_id = ${household} order by n limit 1`);
	const place = await one(
		sql`select id as v from place where household_id = ${household} and kind = 'freezer' limit 1`
	);
	const container = await one(sql`select id as v from container where household_id = ${household} limit 1`);
	const pot = await one(sql`select id as v from pot where household_id = ${household} limit 1`);
	const step = await one(
		sql`select group_id as v from movement where household_id = ${household} and kind = 'take' limit 1`
	);
	return {
		lot: raw,
		packs,
		code,
		run,
		output,
		place,
		container,
		pot,
		step,
		household,
		food: 'carrots',
		way: 'freeze',
		recipe: 'strawberry-freezer-jam',
		rest: 'nothing'
	};
}

/** A second household in a browser of its own, with a run, and a mark in everything that it has a name for. */
async function nextDoor(context: BrowserContext, origin: string, sql: postgres.Sql, mark: string): Promise<World> {
	await postForm(context.request, origin, '/kitchen/house?/newHousehold', { name: mark });
	await postForm(context.request, origin, '/kitchen/house?/demo', { name: mark });
	const id = (await context.cookies()).find((c) => c.name === 'household')?.value.split('.')[0] ?? '';
	const first = await worldOf(sql, id);
	await postForm(context.request, origin, `/ways/${first.lot}?/start`, { way: 'raw' });
	await sql`update lot set title = title || ${mark}, note = ${mark} where household_id = ${id}`;
	await sql`update batch set title = title || ${mark}, code = code || 'ZZ' where household_id = ${id}`;
	for (const table of ['place', 'pot', 'container'])
		await sql`update ${sql(table)} set name = name || ${mark} where household_id = ${id}`;
	await sql`update household set name = ${mark}, demo_date = null where id = ${id}`;
	return worldOf(sql, id);
}

test('hostile requests to every route that there is: never a 500, nothing written, nothing hangs', async ({
	page,
	home,
	context,
	browser,
	baseURL,
	sql
}) => {
	test.setTimeout(300_000);
	const origin = baseURL ?? '';
	await startRun(page, 'runner beans');
	await page.close();
	const stranger = await browser.newContext({ baseURL: origin });
	const other = await nextDoor(stranger, origin, sql, 'Hostile neighbour');
	const world = await worldOf(sql, home.id);
	const cookie = await cookiesOf(context, origin);
	const before = [await fingerprint(sql, home.id), await fingerprint(sql, other.household ?? '')];
	const answers: { what: string; answer: Answer }[] = [];
	const go = async (what: string, path: string, more: Parameters<typeof ask>[2] = {}, expected?: readonly number[]) => {
		const answer = await ask(origin, path, { ...more, headers: { cookie, accept: 'text/html', ...more.headers } });
		answers.push({ what: `${what}: ${more.method ?? 'GET'} ${path.slice(0, 120)}`, answer });
		if (expected) expect(expected, `${what}: ${path.slice(0, 100)}`).toContain(answer.status);
	};
	const marks = () => ({ household: home.id, key: randomUUID() });
	const form = (values: Record<string, string>) => new URLSearchParams(values).toString();
	const typed = 'application/x-www-form-urlencoded';

	for (const route of routes) {
		const own = filled(route.path, world);
		for (const name of paramsOf(route.path))
			for (const value of bad) await go('a bad parameter', filled(route.path, { ...world, [name]: value }));
		if (route.page || route.methods.includes('GET'))
			for (const query of queries) await go('a bad query', `${own}?${query}`);
		for (const method of ['PUT', 'DELETE', 'PATCH'])
			await go('a method that is none', own, { method, headers: { origin } });
		for (const action of [...route.actions, '__proto__', 'constructor', 'hasOwnProperty', 'nope']) {
			if (!route.page) continue;
			const path = `${own}?/${action}`;
			const post = (
				what: string,
				body: string | Buffer,
				type = typed,
				headers: Record<string, string> = {},
				expected?: number[]
			) =>
				go(
					what,
					path,
					{
						method: 'POST',
						body,
						headers: {
							origin,
							'content-type': type,
							'x-sveltekit-action': 'true',
							accept: 'application/json',
							...headers
						}
					},
					expected
				);
			await post('an empty form', '');
			await post(
				'every field as a control character',
				form({ ...marks(), ...Object.fromEntries(fields.map((f) => [f, '\u0007'])) })
			);
			await post(
				'every field endless',
				form({ ...marks(), ...Object.fromEntries(fields.map((f) => [f, 'x'.repeat(2000)])) })
			);
			await post('half a surrogate pair', `household=${home.id}&key=${randomUUID()}&text=%ED%A0%80&name=%00`);
			await post(
				'a broken multipart',
				'--x\r\nContent-Disposition: form-data; name="a',
				'multipart/form-data; boundary=x'
			);
			await post('a multipart without a boundary', 'abc', 'multipart/form-data');
			await post('five thousand fields', Array.from({ length: 5000 }, (_, i) => `a${i}=1`).join('&'));
			await post('more than a form can be', `text=${'x'.repeat(70_000)}`);
			await post('JSON for a form', '{"text":"9 kg carrots"}', 'application/json');
			await post(
				'another page’s form',
				form({ ...marks(), text: '9 kg carrots' }),
				typed,
				{ origin: 'http://elsewhere.example' },
				[403]
			);
			await post(
				'under another name',
				form({ ...marks(), text: '9 kg carrots' }),
				typed,
				{ host: 'elsewhere.example' },
				[421]
			);
			await post(
				'for another household',
				form({ ...marks(), household: other.household ?? '', name: 'x', text: '1 kg carrots', id: world.place ?? '' })
			);
			await post('for no household', form({ key: randomUUID(), name: 'x', text: '1 kg carrots' }));
		}
		if (route.methods.includes('POST')) {
			const post = (what: string, body: string | Buffer, headers: Record<string, string> = {}, expected?: number[]) =>
				go(
					what,
					own,
					{
						method: 'POST',
						body,
						headers: { origin, 'content-type': 'application/json', accept: 'application/json', ...headers }
					},
					expected
				);
			for (const body of [
				'',
				'{',
				'null',
				'[]',
				'""',
				'0',
				'{"events":null}',
				'{"events":{}}',
				'{"events":[null]}',
				'{"__proto__":{"events":[]}}',
				'{"events":[{"id":"\\ud800"}]}',
				`{"events":[${'{'.repeat(500)}`
			])
				await post('bad JSON', body);
			await post(
				'a list without end',
				`{"events":[${Array.from({ length: 30_000 }, () => 0).join(',')}]}`,
				{},
				[413, 400, 401, 404, 405]
			);
			await post('a megabyte', `{"events":[${Array.from({ length: 500_000 }, () => 0).join(',')}]}`, {}, [413, 401]);
			await post('nested without end', `{"events":${'['.repeat(20_000)}${']'.repeat(20_000)}}`);
			await post('another page’s tap', '{"events":[]}', { origin: 'http://elsewhere.example' }, [403]);
			await post('no origin', '{"events":[]}', { origin: '' }, [403]);
			await post('under another name', '{"events":[]}', { host: 'rebound.example' }, [421]);
		}
	}
	for (const odd of [
		'household=x',
		'household=%ff',
		'household=%E0%A4%A',
		'household=__proto__.x',
		`household=${home.id}`,
		'clock=%00',
		`households=${'x'.repeat(3000)}`,
		'a=b; =; ;;',
		'household="'
	])
		for (const path of ['/basket', '/kitchen', '/stove/news'])
			await go('an odd cookie', path, { headers: { cookie: odd } });

	expect(answers.length).toBeGreaterThan(1_000);
	expect(answers.filter((a) => a.answer.text.startsWith('{"type":"success"')).map((a) => a.what)).toEqual([]);
	expect(
		answers
			.filter((a) => a.answer.status >= 500)
			.map((a) => `${a.answer.status} ${a.what} ${a.answer.text.slice(0, 120)}`)
	).toEqual([]);
	// Nothing hangs; how fast it is `npm run bench` measures.
	expect(answers.filter((a) => a.answer.ms > 10_000).map((a) => `${Math.round(a.answer.ms)} ms ${a.what}`)).toEqual([]);
	expect(answers.filter((a) => /at file:|node_modules|drizzle/.test(a.answer.text)).map((a) => a.what)).toEqual([]);
	// Every page: not guessed at, not told on, not embedded, not kept.
	for (const { what, answer } of answers.filter(
		(a) => a.answer.status === 200 && String(a.answer.headers['content-type']).includes('text/html')
	)) {
		expect(answer.headers['x-content-type-options'], what).toBe('nosniff');
		expect(answer.headers['referrer-policy'], what).toBe('same-origin');
		expect(answer.headers['cross-origin-resource-policy'], what).toBe('same-origin');
		expect(answer.headers['cache-control'], what).toBe('no-store');
	}
	expect([await fingerprint(sql, home.id), await fingerprint(sql, other.household ?? '')]).toEqual(before);
	// No household was made by the way, under any of the names that were tried.
	expect(await sql`select name from household where name ~ '^x+$' or name = ''`).toEqual([]);
	const slowest = answers.reduce((a, b) => (b.answer.ms > a.answer.ms ? b : a));
	console.log(
		`${answers.length} hostile requests to ${routes.length} routes; the slowest took ${Math.round(slowest.answer.ms)} ms (${slowest.what})`
	);
	await stranger.close();
});

test('no route shows or changes anything of another household, whatever ids and codes it is given', async ({
	page,
	home,
	context,
	browser,
	baseURL,
	sql
}) => {
	test.setTimeout(180_000);
	const origin = baseURL ?? '';
	const mark = `Secret of next door ${randomUUID().slice(0, 8)}`;
	await startRun(page, 'runner beans');
	await page.close();
	const stranger = await browser.newContext({ baseURL: origin });
	const other = await nextDoor(stranger, origin, sql, mark);
	const world = await worldOf(sql, home.id);
	const cookie = await cookiesOf(context, origin);
	const before = await fingerprint(sql, other.household ?? '');
	const mine = await fingerprint(sql, home.id);
	const own = new Set(['food', 'way', 'recipe', 'rest']);
	let asked = 0;
	const look = async (route: Route, path: string, more: Parameters<typeof ask>[2] = {}) => {
		const answer = await ask(origin, path, { ...more, headers: { cookie, accept: 'text/html', ...more.headers } });
		asked++;
		expect(answer.status, path).toBeLessThan(500);
		// Its name may stand among the households that a browser knows; nothing else of it stands anywhere.
		expect(answer.text.includes(mark), `${more.method ?? 'GET'} ${path} of ${route.path}`).toBe(false);
		return answer;
	};
	for (const route of routes) {
		for (const name of paramsOf(route.path).filter((p) => !own.has(p))) {
			for (const value of [other[name], other.packs, other.output, other.code].filter((v): v is string => Boolean(v))) {
				const path = filled(route.path, { ...world, [name]: value });
				if (route.page || route.methods.includes('GET')) {
					const { status } = await look(route, path);
					// 401: a browser is no instrument, whosever sheet it asks for.
					expect([400, 401, 404, 303], path).toContain(status);
				}
				for (const body of [{ events: [{ id: randomUUID(), at: Date.now(), type: 'stop', reason: '' }] }, {}])
					if (route.methods.includes('POST')) {
						const headers = { origin, 'content-type': 'application/json', accept: 'application/json' };
						const { status } = await look(route, path, { method: 'POST', headers, body: JSON.stringify(body) });
						expect([400, 401, 404], path).toContain(status);
					}
			}
		}
		// Pages that take no id: with the other's ids wherever one fits.
		const plain = filled(route.path, world);
		for (const query of [
			`all=${other.place}`,
			`open=${other.lot}`,
			`runs=${other.run}:0`,
			`id=${other.lot}`,
			`pot=${other.pot}`,
			`container=${other.container}`
		])
			if (route.page || route.methods.includes('GET')) await look(route, `${plain}?${query}`);
		for (const action of route.actions) {
			// Whatever a form may ask for, with everything in it belonging next door.
			const all = {
				lotId: other.lot ?? '',
				kind: '',
				grams: '5 g',
				unit: 'pack',
				amount: '1',
				placeId: other.place ?? '',
				groupId: other.step ?? '',
				id: other.container ?? '',
				what: 'container',
				count: '3',
				way: 'raw',
				answer: 'no',
				how: 'keep'
			};
			const forms: (readonly (keyof typeof all)[])[] = [
				['lotId', 'kind', 'grams'],
				['lotId', 'kind', 'unit', 'amount'],
				['lotId', 'placeId', 'grams'],
				['groupId'],
				['id', 'what'],
				['id', 'count'],
				['id'],
				['lotId', 'answer'],
				['lotId'],
				['way'],
				['how']
			];
			const params = paramsOf(route.path).filter((p) => !own.has(p));
			const path =
				params.length > 0
					? filled(route.path, { ...world, ...Object.fromEntries(params.map((p) => [p, other[p] ?? ''])) })
					: plain;
			for (const keep of forms)
				for (const kind of keep.includes('kind') ? ['take', 'move', 'count', 'spoil'] : [''])
					for (const lotId of keep.includes('lotId') ? [other.lot, other.packs] : ['']) {
						const values = { ...all, kind, lotId: lotId ?? '' };
						const body = new URLSearchParams({ household: home.id, key: randomUUID() });
						for (const name of keep) body.set(name, values[name]);
						await look(route, `${path}?/${action}`, {
							method: 'POST',
							headers: {
								origin,
								'content-type': 'application/x-www-form-urlencoded',
								'x-sveltekit-action': 'true',
								accept: 'application/json'
							},
							body: body.toString()
						});
					}
		}
	}
	expect(asked).toBeGreaterThan(500);
	expect(await fingerprint(sql, other.household ?? '')).toBe(before);
	// The own household was not changed either: nothing of another's fits into it.
	expect(await fingerprint(sql, home.id)).toBe(mine);
	await stranger.close();
});
