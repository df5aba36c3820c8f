/** `npm run bench`: prints a table of what was measured. Quote ratios and medians: the machine is shared. */
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { answers, startApp } from './lib/app.mjs';
import { ensureBuild } from './lib/build.mjs';
import { liveLoad } from './lib/live-load.mjs';
import { load } from './lib/load.mjs';
import { chromiumPath, ensureChromium, ensurePackages } from './lib/install.mjs';
import { freePort, startPostgres } from './lib/postgres.mjs';
import { capture } from './lib/run.mjs';
import { Plain, fail, root, say } from './lib/say.mjs';

const chromiumArgs = ['--no-sandbox', '--disable-gpu', '--disable-background-networking'];
/** @type {[string, string, string][]} */
const rows = [];
/** Said at once, so that what was measured is there when a later part fails; and in the table at the end. */
const row = (/** @type {string} */ what, /** @type {string} */ value, /** @type {string} */ wanted = '') => {
	rows.push([what, value, wanted]);
	say(`${what}: ${value}`);
};
const percentile = (/** @type {number[]} */ list, /** @type {number} */ p) =>
	[...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * p))] ?? Number.NaN;
const ms = (/** @type {number} */ x) => `${x.toFixed(1)} ms`;

/** @param {number} times @param {() => Promise<unknown>} work */
async function time(times, work) {
	const list = [];
	for (let i = 0; i < times; i++) {
		const began = performance.now();
		await work();
		list.push(performance.now() - began);
	}
	return list;
}

function printRows() {
	const widths = [0, 1, 2].map((i) => Math.max(...rows.map((r) => r[i]?.length ?? 0), 6));
	const print = (/** @type {string[]} */ cells) => say(cells.map((c, i) => c.padEnd(widths[i] ?? 0)).join('  '));
	print(['What', 'Measured', 'Wanted']);
	print(widths.map((w) => '-'.repeat(w)));
	for (const r of rows) print(r);
}

/** `npm run bench -- load`: the server under load only; `live`: instruments and listeners only; `pages`: reads and pages only; `haul`: hauls. */
const [only] = process.argv.slice(2);
const loadOnly = only === 'load' || only === 'live';

/**
 * The benches of a folder.
 *
 * @param {string} folder @param {Record<string, string>} [env]
 * @returns {Promise<{ name: string, median: number, sampleCount: number }[]>}
 */
async function vitestBench(folder, env = {}) {
	const json = join(root, 'test-results/bench.json');
	const args = ['bench', folder, '--run', '--config', 'vitest.bench.config.ts', '--outputJson', json];
	const { code, out } = await capture(join(root, 'node_modules/.bin/vitest'), args, {
		env: { ...process.env, ...env }
	});
	if (code !== 0) throw new Plain(`The bench of ${folder} failed:\n${out}`);
	const { files } = JSON.parse(readFileSync(json, 'utf8'));
	return files.flatMap((/** @type {any} */ f) => f.groups.flatMap((/** @type {any} */ g) => g.benchmarks));
}

/** What the store adds to the same statement by hand. @param {string} url */
async function benchReads(url) {
	const times = join(root, 'test-results/reads.json');
	await vitestBench('src/lib/server', { BENCH_DATABASE_URL: url, BENCH_READS: times });
	/** @type {Record<string, number[]>} */
	const found = JSON.parse(readFileSync(times, 'utf8'));
	for (const page of ['Basket', 'Shelves', 'Count']) {
		const of = (/** @type {string} */ how, /** @type {number} */ p) => percentile(found[`${page}, ${how}`] ?? [], p);
		const ratio = (/** @type {number} */ p) => (of('store', p) / of('SQL', p)).toFixed(2);
		row(
			`${page}: its read through the store, p50 / p95`,
			`${ms(of('store', 0.5))} / ${ms(of('store', 0.95))}; ${ratio(0.5)} / ${ratio(0.95)} of the same in raw SQL`,
			'p95 within 2 of it'
		);
	}
}

/** The core by itself. */
async function benchCore() {
	for (const b of await vitestBench('src/core')) row(`core: ${b.name}`, `${ms(b.median)} (median of ${b.sampleCount})`);
}

/** Hauls shared out: how far from the bound after so many seconds. The longest part by far, and asked for by its name. */
async function benchHaul() {
	const file = join(root, 'test-results/haul.json');
	await vitestBench('src/lib/haul', { BENCH_HAUL: file, BENCH_SEEDS: process.env.BENCH_SEEDS ?? '30' });
	const percent = (/** @type {number} */ x) => `${(100 * x).toFixed(1)} %`;
	for (const { name, first, gaps, most_MB } of JSON.parse(readFileSync(file, 'utf8'))) {
		row(`haul, ${name}: first answer, median`, `${percentile(first, 0.5).toFixed(2)} s`, 'within 1 s');
		for (const [s, list] of Object.entries(gaps)) {
			const wanted = name.startsWith('20') ? { 3: 'within 5 %', 20: 'within 2 %' }[s] : undefined;
			const stood = `${percent(percentile(list, 0.5))} (${percent(percentile(list, 0.9))})`;
			row(`haul, ${name}: from the bound after ${s} s, median of ${list.length} (worst tenth)`, stood, wanted ?? '');
		}
		row(`haul, ${name}: memory of the process at most`, `${Math.round(most_MB)} MB`);
	}
}

/** Kilobytes that a process holds. @param {number} pid */
const memory_kB = (pid) => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0);

/**
 * Starts so many runs of beans, each with so many taps.
 * @param {import('postgres').Sql} sql @param {{ origin: string, household: string }} world @param {number} count @param {number} taps
 */
async function startRuns(sql, { origin, household }, count, taps) {
	const form = (/** @type {string} */ path, /** @type {Record<string, string>} */ values) =>
		fetch(`${origin}${path}`, {
			method: 'POST',
			redirect: 'manual',
			body: new URLSearchParams({ household, key: randomUUID(), ...values }),
			headers: { origin, 'x-sveltekit-action': 'true', accept: 'application/json' }
		}).then((r) => r.json());
	for (let i = 0; i < count; i++) {
		await form('/basket?/add', { text: '9 kg green beans' });
		const [lot] =
			await sql`select id from lot where household_id = ${household} and waiting and food = 'green-beans' order by created_at desc, id desc limit 1`;
		const started = await form(`/ways/${lot?.id}?/start`, { way: 'raw' });
		const run = String(started.location ?? '')
			.split('/')
			.pop();
		for (let from = 0; from < taps; from += 100) {
			const events = Array.from({ length: Math.min(100, taps - from) }, (_, n) => ({
				id: randomUUID(),
				at: Date.now(),
				device: 'bench',
				n: from + n,
				type: 'note',
				text: `note ${from + n}`
			}));
			const reply = await fetch(`${origin}/stove/${run}/events`, {
				method: 'POST',
				body: JSON.stringify({ events }),
				headers: { origin, 'content-type': 'application/json' }
			});
			if (reply.status !== 200) throw new Plain(`A run of the bench could not be tapped: ${await reply.text()}`);
		}
	}
}

/**
 * The Stove over eight open runs of 200 taps each.
 * @param {import('postgres').Sql} sql @param {{ origin: string, household: string }} world
 */
async function benchStove(sql, world) {
	await startRuns(sql, world, 8, 200);
	const get = async () => {
		const reply = await fetch(`${world.origin}/stove`);
		const text = await reply.text();
		if (reply.status !== 200 || !text.includes('note 199')) throw new Plain('The Stove does not show its eight runs.');
	};
	await time(20, get);
	const list = await time(120, get);
	row(
		'Stove over 8 open runs of 200 taps: page from the server, p50 / p95',
		`${ms(percentile(list, 0.5))} / ${ms(percentile(list, 0.95))}`,
		'p95 under 40 ms'
	);
}

/**
 * A browser with so many tabs, each live; they share one stream through one worker.
 * @param {string} origin @param {readonly string[]} paths
 */
async function openTabs(origin, paths) {
	const { chromium } = await import('@playwright/test');
	const browser = await chromium.launch({ executablePath: chromiumPath(), args: chromiumArgs });
	const context = await browser.newContext();
	for (const path of paths) {
		const page = await context.newPage();
		await page.goto(`${origin}${path}`);
		await page.locator('html[data-alive]').waitFor();
	}
	return {
		async streams() {
			const session = await browser.newBrowserCDPSession();
			const { targetInfos } = await session.send('Target.getTargets');
			return targetInfos.filter((t) => t.type === 'shared_worker').length;
		},
		close: () => browser.close()
	};
}

/**
 * 50 instruments at one reading a second, 20 plain listeners: what the server takes, and how old the news is.
 * @param {import('postgres').Sql} sql @param {{ origin: string, household: string, pid: number }} world
 */
async function benchLive(sql, { origin, household, pid }) {
	const minutes = Number(process.env.BENCH_MINUTES ?? 2);
	const how = {
		origin,
		household,
		instruments: 50,
		listeners: 20,
		pages: ['/basket', '/stove', '/kitchen/instruments']
	};
	await liveLoad(sql, { ...how, seconds: 5 });
	const tabs = await openTabs(origin, ['/stove', '/basket', '/kitchen/instruments']);
	const before = memory_kB(pid);
	// The heap breathes: what it falls to is what is kept. Read every ten seconds, the least of each fifth of the time.
	/** @type {number[]} */
	const held = [];
	const watch = setInterval(() => held.push(memory_kB(pid) / 1024), 10_000);
	const found = await liveLoad(sql, { ...how, seconds: Math.max(20, minutes * 60) });
	clearInterval(watch);
	row('the same: one browser, three tabs: streams between them', `${await tabs.streams()}`, '1');
	await tabs.close();
	row(
		'50 instruments at 1 Hz, 20 listeners: a reading kept, p50 / p95',
		`${ms(percentile(found.posts, 0.5))} / ${ms(percentile(found.posts, 0.95))}; ${found.failed} of ${found.posts.length} failed`,
		'p95 under 40 ms; 0'
	);
	row(
		'the same: how old the news is, p50 / longest',
		`${ms(percentile(found.behind, 0.5))} / ${ms(Math.max(...found.behind))}`,
		'under 1 s'
	);
	row('the same: notices to a listener, a second', found.noticesPerSecond.toFixed(1), 'at most 4');
	row(
		'the same: pages meanwhile, p50 / p95',
		`${ms(percentile(found.reads, 0.5))} / ${ms(percentile(found.reads, 0.95))}`
	);
	const part = Math.max(1, Math.floor(held.length / 5));
	const least = [0, 1, 2, 3, 4].map((i) => Math.min(...held.slice(i * part, (i + 1) * part), Infinity));
	row(
		'the same: memory before, and the least of each fifth of the time',
		`${(before / 1024).toFixed(0)}; ${least.map((m) => m.toFixed(0)).join(', ')} MB`,
		'flat'
	);
}

/**
 * 35 open runs with a tap or sixty each on the large data; then as many readers and writers as a fair has.
 * @param {import('postgres').Sql} sql @param {{ origin: string, household: string, raw: string, pid: number }} world
 */
async function underLoad(sql, { origin, household, raw, pid }) {
	await startRuns(sql, { origin, household }, 27, 60);
	const open = await sql`select id from run where household_id = ${household} and status = 'open'`;
	const [shelf] =
		await sql`select l.id from lot l join lot_balance b on b.lot_id = l.id where l.household_id = ${household} and l.unit = 'pack' order by b.amount desc limit 1`;
	const pages = ['/basket', '/shelves', '/book', `/ways/${raw}`, '/kitchen', '/tables/green-beans', '/stove/news'];
	const how = { origin, pages, household, runs: open.map((r) => r.id), packs: shelf?.id };
	await load({ ...how, readers: 10, writers: 0, seconds: 5, every_ms: 0 });
	const full = await load({ ...how, readers: 20, writers: 0, seconds: 20, every_ms: 0 });
	row('35 open runs, saturated: mixed pages a second', full.perSecond.toFixed(0), 'at least 90');
	row('35 open runs, saturated: /alive at the longest', ms(full.alive), 'under 1 s');
	const paced = await load({ ...how, readers: 100, writers: 20, seconds: 40, every_ms: 2000 });
	row(
		'100 readers + 20 writers, one request each 2 s: p50 / p95',
		`${ms(paced.p50)} / ${ms(paced.p95)}`,
		'p95 at most 400 ms'
	);
	row(
		'the same: /alive at the longest; failed of all',
		`${ms(paced.alive)}; ${paced.failed} of ${paced.count}`,
		'under 1 s; 0'
	);
	const [entry] = await sql`select code from batch where household_id = ${household} order by created_at desc limit 1`;
	const hostile = /** @type {[string, string, RequestInit][]} */ ([
		['480 labels', `/book/${entry?.code}/labels?count=480`, {}],
		[
			'a megabyte to a run',
			`/stove/${open[0]?.id}/events`,
			{
				method: 'POST',
				body: `{"events":[${'0,'.repeat(500_000)}0]}`,
				headers: { origin, 'content-type': 'application/json' }
			}
		],
		[
			'a list of 30,000',
			`/stove/${open[0]?.id}/events`,
			{
				method: 'POST',
				body: `{"events":[${'0,'.repeat(30_000)}0]}`,
				headers: { origin, 'content-type': 'application/json' }
			}
		],
		[
			'5,000 fields',
			'/basket?/add',
			{
				method: 'POST',
				body: Array.from({ length: 5000 }, (_, i) => `a${i}=1`).join('&'),
				headers: { origin, 'content-type': 'application/x-www-form-urlencoded' }
			}
		],
		['a search of 4,000 letters', `/tables?q=${'x'.repeat(4000)}`, {}]
	]);
	for (const [what, path, init] of hostile) {
		const times = [];
		for (let i = 0; i < 7; i++) {
			const asked = performance.now();
			// What is too large may be cut off before it is sent.
			await fetch(`${origin}${path}`, init)
				.then((r) => r.arrayBuffer())
				.catch(() => {});
			times.push(performance.now() - asked);
		}
		row(
			`hostile: ${what}, median / longest`,
			`${ms(percentile(times, 0.5))} / ${ms(Math.max(...times))}`,
			'under 250 ms'
		);
	}
	const before = memory_kB(pid);
	const minutes = Number(process.env.BENCH_MINUTES ?? 2);
	await load({ ...how, readers: 20, writers: 0, seconds: minutes * 60, every_ms: 250 });
	row(
		`memory of the server before and after ${minutes} min of 20 readers`,
		`${(before / 1024).toFixed(0)} / ${(memory_kB(pid) / 1024).toFixed(0)} MB`,
		'flat'
	);
}

/** @type {(() => Promise<void>)[]} */
const stops = [];
try {
	await ensurePackages();
	if (!only || only === 'haul') await benchHaul();
	if (only === 'haul') {
		printRows();
		process.exit(0);
	}
	await ensureChromium();
	await ensureBuild();

	if (!only) await benchCore();

	const database = await startPostgres({ name: 'pg-bench', throwaway: true });
	stops.push(database.stop);
	const port = await freePort();
	const origin = `http://127.0.0.1:${port}`;
	const began = performance.now();
	const app = startApp({ databaseUrl: database.url, host: '127.0.0.1', port, origin });
	stops.push(app.stop);
	if (!(await answers(`${origin}/basket`, 60_000, app.exited))) throw new Plain('The application did not start.');
	row('server start to first page, new database', ms(performance.now() - began));

	const { default: postgres } = await import('postgres');
	const sql = postgres(database.url, { max: 1, onnotice: () => {} });
	const [home] = await sql`select id from household limit 1`;
	await sql.unsafe(readFileSync(join(root, 'src/demo/large.sql'), 'utf8').replaceAll(':household', home?.id));
	// As a database stands that grew over years: the clean-up after twenty years in one go is nobody's morning.
	await sql.unsafe('vacuum analyze');
	const [count] =
		await sql`select (select count(*) from batch) as batches, (select count(*) from movement) as movements, (select count(*) from lot_balance where amount > 0) as open`;
	row(
		'data',
		`${count?.batches} batches, ${count?.movements} movements, ${count?.open} open lots`,
		'20,000 / 150,000 / 400'
	);

	const [raw] = await sql`select l.id from lot l where l.waiting and l.food = 'green-beans' limit 1`;
	if (only !== 'pages') await benchStove(sql, { origin, household: home?.id });
	if (only !== 'pages') await benchLive(sql, { origin, household: home?.id, pid: app.pid ?? 0 });
	if (!only || only === 'load') await underLoad(sql, { origin, household: home?.id, raw: raw?.id, pid: app.pid ?? 0 });
	if (loadOnly) {
		await sql.end();
		printRows();
		for (const stop of stops.reverse()) await stop();
		process.exit(0);
	}
	const [pantry] = await sql`select id from place where household_id = ${home?.id} and kind = 'pantry' limit 1`;
	const pages = [
		[
			'Basket',
			'/basket',
			40,
			() =>
				sql`select l.*, b.amount, p.* from lot_balance b join lot l on l.id = b.lot_id join place p on p.id = l.place_id where b.household_id = ${home?.id} and b.amount > 0 and l.waiting`
		],
		[
			'Ways',
			`/ways/${raw?.id}`,
			40,
			() => sql`select l.*, b.amount from lot l join lot_balance b on b.lot_id = l.id where l.id = ${raw?.id}`
		],
		[
			'Shelves',
			'/shelves',
			40,
			() =>
				sql`select l.*, b.amount, x.code from lot_balance b join lot l on l.id = b.lot_id left join batch x on x.id = l.batch_id where b.household_id = ${home?.id} and b.amount > 0 order by l.keeps_until`
		],
		[
			'Count',
			`/shelves/count/${pantry?.id}`,
			40,
			() =>
				sql`select l.*, b.amount, x.code from lot_balance b join lot l on l.id = b.lot_id left join batch x on x.id = l.batch_id where b.household_id = ${home?.id} and b.amount > 0 order by l.keeps_until`
		],
		[
			'Supper',
			'/supper',
			40,
			() => sql`select * from food_day where household_id = ${home?.id} and day > now() - interval '3 years'`
		],
		[
			'Book',
			'/book',
			80,
			() => sql`select * from batch where household_id = ${home?.id} order by packed_on desc limit 40`
		],
		...['/book/foods', '/book/foods/green-beans', '/book/plan', '/book/prices'].map((path) => [
			`Book ${path.slice(6)}`,
			path,
			80,
			() => sql`select * from batch where household_id = ${home?.id} order by packed_on desc limit 2000`
		])
	];
	await benchReads(database.url);
	for (const [name, path, wanted, query] of /** @type {[string, string, number, () => Promise<unknown>][]} */ (pages)) {
		const get = async () => {
			const reply = await fetch(`${origin}${path}`);
			await reply.arrayBuffer();
			if (reply.status !== 200) throw new Plain(`${path} answered ${reply.status}.`);
		};
		await time(40, get);
		const list = await time(120, get);
		await time(5, query);
		const bare = await time(60, query);
		row(
			`${name}: page from the server, p50 / p95`,
			`${ms(percentile(list, 0.5))} / ${ms(percentile(list, 0.95))}`,
			`p95 under ${wanted} ms`
		);
		row(`${name}: its main query in raw SQL, p50`, ms(percentile(bare, 0.5)));
	}

	for (const [name, path] of [
		['Tables', '/tables'],
		['Tables: a food', '/tables/green-beans'],
		['Tables: a way, food by food', '/tables/way/freeze'],
		[
			'Tables: six side by side',
			'/tables/compare?food=carrots&food=beets&food=parsnips&food=apples&food=beef&food=onions'
		]
	]) {
		const get = async () => void (await (await fetch(`${origin}${path}`)).arrayBuffer());
		await time(10, get);
		const list = await time(60, get);
		row(`${name}: page from the server, p50 / p95`, `${ms(percentile(list, 0.5))} / ${ms(percentile(list, 0.95))}`);
	}

	for (const path of [
		'/api/v1/foods?q=squash',
		'/api/v1/blanch?food=corn&cut=ears-large&altitude_m=380',
		'/api/v1/canning?food=tomatoes&altitude_m=380',
		'/api/v1/drying?food=apples&thickness_mm=3',
		'/api/v1/freezing?food=green-beans',
		'/api/v1/storage?food=apples&way=dry&temp_c=20',
		'/api/v1/cooking?food=chicken',
		'/api/v1/ratio?recipe=strawberry-freezer-jam&have=11+cups',
		'/api/v1/models/freezing-time?food=ground-beef&size_mm=20&curve=true',
		'/api/v1/models/freezer-week?litres=240&old_kg=70&food=green-beans&kg=20',
		'/api/v1/models/drying-time?food=apples&thickness_mm=5&wet_kg=1&weigh_ins=2:0.7,4:0.5',
		'/api/v1/models/canner-loads?food=green-beans&style=raw&jar=pint&altitude_m=380&kg=20'
	]) {
		const get = async () => void (await (await fetch(`${origin}${path}`)).arrayBuffer());
		await time(15, get);
		const list = await time(120, get);
		row(`${path.split('?')[0]}: p50 / p95`, `${ms(percentile(list, 0.5))} / ${ms(percentile(list, 0.95))}`);
	}

	if (only === 'pages') {
		await sql.end();
		printRows();
		for (const stop of stops.reverse()) await stop();
		process.exit(0);
	}
	const { chromium } = await import('@playwright/test');
	const browser = await chromium.launch({ executablePath: chromiumPath(), args: chromiumArgs });
	for (const path of ['/basket', `/ways/${raw?.id}`, '/stove', '/shelves', '/book', '/kitchen', '/tables']) {
		const page = await browser.newPage();
		let bytes = 0;
		/** @type {Promise<void>[]} */
		const waits = [];
		page.on('response', (r) => {
			if (r.request().resourceType() === 'script')
				waits.push(
					r
						.finished()
						.then(() => r.body())
						.then((body) => void (bytes += gzipSync(body).length))
				);
		});
		// What comes after the first paint counts too: until nothing more is fetched.
		await page.goto(`${origin}${path}`, { waitUntil: 'networkidle' });
		await page.locator('html[data-alive]').waitFor();
		await Promise.all(waits);
		const shift = await page.evaluate(async () => {
			let sum = 0;
			new PerformanceObserver((list) => {
				for (const entry of list.getEntries()) sum += /** @type {any} */ (entry).value;
			}).observe({ type: 'layout-shift', buffered: true });
			await new Promise((done) => setTimeout(done, 300));
			return sum;
		});
		row(
			`${path.split('/').slice(0, 2).join('/')}: shift of layout after the first paint`,
			shift.toFixed(3),
			'under 0.02'
		);
		row(
			`first load of ${path.split('/').slice(0, 2).join('/')}: JavaScript, gzip`,
			`${(bytes / 1024).toFixed(1)} kB`,
			'under 110 kB'
		);
		await page.close();
	}
	// From the letter to the painted list, in a real browser.
	const page = await browser.newPage();
	await page.goto(`${origin}/tables`);
	await page.locator('html[data-alive]').waitFor();
	const typed = await page.evaluate(async () => {
		const input = /** @type {HTMLInputElement} */ (document.querySelector('input[name=q]'));
		input.focus();
		const times = [];
		for (const word of [
			'courgette',
			'brocoli',
			'dill pickles',
			'thaw on the counter',
			'strawberry',
			'ground beef',
			'swede'
		]) {
			for (let n = 1; n <= word.length; n++) {
				const began = performance.now();
				input.value = word.slice(0, n);
				input.dispatchEvent(new Event('input', { bubbles: true }));
				await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
				times.push(performance.now() - began);
			}
		}
		return times;
	});
	row(
		'Tables: from a typed letter to the list on the screen, p50 / p95',
		`${ms(percentile(typed, 0.5))} / ${ms(percentile(typed, 0.95))}`,
		'under 50 ms'
	);
	// The worker of Ways: a week of the freezer with 40 packs, and how long the page is held up meanwhile.
	const ways = await browser.newPage();
	await ways.goto(`${origin}/ways/${raw?.id}/raw/why`);
	await ways.locator('html[data-alive]').waitFor();
	await ways.getByRole('figure', { name: 'The freezer over days' }).waitFor();
	const worked = await ways.evaluate(async () => {
		const code = performance.getEntriesByType('resource').find((e) => /workers\/models.*\.js/.test(e.name))?.name;
		if (!code) throw new Error('The page has no worker.');
		const ask = {
			freezer: { litres: 240, set_C: -18, room_C: 22 },
			old: { kg: 70, start_C: -18 },
			load: {
				at_h: 0,
				kg: 20,
				pack_kg: 0.5,
				thickness_m: 0.03,
				start_C: 15,
				food: {
					composition: { water: 0.9, protein: 0.02, fat: 0.005, carbohydrate: 0.045, fibre: 0.025, ash: 0.005 },
					freezing_C: -0.8
				}
			},
			days: 7
		};
		const worker = new Worker(code, { type: 'module' });
		/** One question in comlink's words; its progress goes to a port of its own. */
		const once = () => {
			const { port1, port2 } = new MessageChannel();
			const began = performance.now();
			return new Promise((done) => {
				const id = crypto.randomUUID();
				const heard = (/** @type {MessageEvent} */ event) => {
					if (event.data?.id !== id) return;
					worker.removeEventListener('message', heard);
					port1.close();
					done({ ms: performance.now() - began, kind: event.data.value?.kind });
				};
				worker.addEventListener('message', heard);
				const argumentList = [
					{ type: 'RAW', value: ask },
					{ type: 'HANDLER', name: 'proxy', value: port2 }
				];
				worker.postMessage({ id, type: 'APPLY', path: ['freezer'], argumentList }, [port2]);
			});
		};
		await once();
		let longest = 0;
		let last = performance.now();
		let on = true;
		const tick = () => {
			const now = performance.now();
			longest = Math.max(longest, now - last);
			last = now;
			if (on) setTimeout(tick, 0);
		};
		setTimeout(tick, 0);
		const runs = [];
		for (let i = 0; i < 5; i++) runs.push(await once());
		on = false;
		worker.terminate();
		return { runs: runs.map((r) => r.ms), kinds: runs.map((r) => r.kind), longest };
	});
	if (worked.kinds.some((/** @type {string} */ kind) => kind !== 'plan')) throw new Plain('The worker gave no plan.');
	row(
		'Ways, worker: a freezer week planned for 40 packs, and all at once beside it, median',
		ms(percentile(worked.runs, 0.5)),
		'under 500 ms'
	);
	row('Ways: longest hold of the page while the worker computes', ms(worked.longest), 'under 50 ms');
	await browser.close();
	await sql.end();

	printRows();
	for (const stop of stops.reverse()) await stop();
} catch (error) {
	for (const stop of stops.reverse()) await stop();
	fail(error);
}
