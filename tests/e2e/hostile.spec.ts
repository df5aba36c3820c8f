import { randomUUID } from 'node:crypto';
import { fingerprint } from '../walk/fingerprint';
import { expect, postForm, startRun, test } from './help';

const key = () => randomUUID();
const nobody = '00000000-0000-4000-8000-000000000000';

/** What each case may use: ids of this household, and of another one. */
interface World {
	lot: string;
	packs: string;
	run: string;
	container: string;
	freezer: string;
	pantry: string;
	otherLot: string;
	otherPacks: string;
	otherRun: string;
	otherPlace: string;
	otherStep: string;
	otherCode: string;
	usedKey: string;
}
type Form = [
	what: string,
	path: (w: World) => string,
	form: (w: World) => Record<string, string>,
	status: number,
	says: RegExp
];
const at = (path: string) => () => path;
const add =
	(text: string): Form[2] =>
	() => ({ text, key: key() });
const act = (w: World, more: Record<string, string>) => ({
	lotId: w.packs,
	kind: 'take',
	unit: 'pack',
	amount: '1',
	key: key(),
	...more
});
const planOf = (lot: string, way: string, day: number) => ({
	plan: JSON.stringify([{ lot, shares: [{ way, grams: 100, days: [{ day, grams: 100 }] }] }]),
	key: key()
});
const pot =
	(more: Record<string, string>): Form[2] =>
	() => ({ kind: 'pot', name: 'a pot', litres: '8', burnerW: '2000', burnerKind: 'gas', ...more });
const place =
	(more: Record<string, string>): Form[2] =>
	() => ({ name: 'a place', kind: 'freezer', tempC: '-18', litres: '50', ...more });
const box =
	(more: Record<string, string>): Form[2] =>
	() => ({ name: 'a box', kind: 'box', volumeMl: '500', count: '3', ...more });
const gear =
	(more: Record<string, string>): Form[2] =>
	() => ({ iceKg: '2', iceKgDay: '2', basins: '1', trays: '2', trayAreaM2: '0.12', ...more });
const room =
	(more: Record<string, string>): Form[2] =>
	() => ({ tapC: '14', roomC: '20', roomHumidity: '50', handsHDay: '3', ...more });
const canner =
	(more: Record<string, string>): Form[2] =>
	() => ({ kind: 'canner', name: 'a canner', quarts: '7', gauge: 'weighted', ...more });
const basics =
	(more: Record<string, string>): Form[2] =>
	() => ({ name: 'x', units: 'metric', zone: 'UTC', people: '2', ...more });

const forms: Form[] = [
	['nothing typed', at('/basket?/add'), add(''), 400, /Type what came in/],
	['a negative amount', at('/basket?/add'), add('-3 kg carrots'), 400, /more than nothing/],
	['no amount', at('/basket?/add'), add('carrots'), 400, /How much/],
	['not a number', at('/basket?/add'), add('NaN kg carrots'), 400, /How much/],
	['an endless number', at('/basket?/add'), add('1e400 kg carrots'), 400, /not a number/],
	['a huge amount', at('/basket?/add'), add('999999999 kg carrots'), 400, /tonne/],
	['a wrong unit', at('/basket?/add'), add('9 parsecs carrots'), 400, /Weigh one|not a unit/],
	['a food that is none', at('/basket?/add'), add('9 kg plutonium'), 400, /not a food/],
	['a script in the name', at('/basket?/add'), add('9 kg <script>alert(1)</script>'), 400, /not a food/],
	['too long a line', at('/basket?/add'), add(`9 kg carrots ${'x'.repeat(300)}`), 400, /200/],
	['control characters', at('/basket?/add'), add('9 kg\u0000 carrots'), 400, /cannot be kept/],
	['no key', at('/basket?/add'), () => ({ text: '9 kg carrots', key: '' }), 400, /key/],
	['a key that is none', at('/basket?/add'), () => ({ text: '9 kg carrots', key: 'x' }), 400, /not an id/],
	[
		'a field that nobody asked for',
		at('/basket?/add'),
		() => ({ text: '9 kg carrots', key: key(), colour: 'red' }),
		400,
		/not allowed/
	],
	[
		'another household’s place',
		at('/basket?/add'),
		(w) => ({ text: '9 kg carrots', placeId: w.otherPlace, key: key() }),
		404,
		/no such place/
	],
	[
		'a place that is none',
		at('/basket?/add'),
		() => ({ text: '9 kg carrots', placeId: nobody, key: key() }),
		404,
		/no such place/
	],
	['a bowl of nothing', at('/basket?/weigh'), () => ({ measure: 'bowl', food: 'peas', grams: '0' }), 400, /weight/],
	[
		'a bowl of what is no food',
		at('/basket?/weigh'),
		() => ({ measure: 'bowl', food: 'gravel', grams: '500' }),
		404,
		/no such food/
	],
	[
		'a bowl that weighs a word',
		at('/basket?/weigh'),
		() => ({ measure: 'bowl', food: 'peas', grams: 'heavy' }),
		400,
		/weight/
	],
	[
		'more eaten than there is',
		at('/basket?/away'),
		(w) => ({ lotId: w.lot, kind: 'take', grams: '900000', key: key() }),
		409,
		/only/
	],
	[
		'a negative meal',
		at('/basket?/away'),
		(w) => ({ lotId: w.lot, kind: 'take', grams: '-5', key: key() }),
		400,
		/weight/
	],
	[
		'another household’s carrots',
		at('/basket?/away'),
		(w) => ({ lotId: w.otherLot, kind: 'take', grams: '5', key: key() }),
		404,
		/no such lot/
	],
	[
		'what happened that cannot',
		at('/basket?/away'),
		(w) => ({ lotId: w.lot, kind: 'steal', grams: '5', key: key() }),
		400,
		/must be one of/
	],
	[
		'another household’s step undone',
		at('/basket?/undo'),
		(w) => ({ groupId: w.otherStep, key: key() }),
		404,
		/no such step/
	],
	['a step that is none', at('/shelves?/undo'), () => ({ groupId: 'x', key: key() }), 400, /not an id/],
	[
		'a way that is none',
		(w) => `/ways/${w.lot}?/start`,
		() => ({ way: 'boil-in-oil', key: key() }),
		400,
		/no such way/
	],
	['no way', (w) => `/ways/${w.lot}?/start`, () => ({ key: key() }), 400, /way/],
	[
		'a cut that is none',
		(w) => `/ways/${w.lot}?/start`,
		() => ({ way: 'raw', cut: 'julienne', key: key() }),
		400,
		/not cut as/
	],
	[
		'a pack of nothing',
		(w) => `/ways/${w.lot}?/start`,
		() => ({ way: 'raw', portion: '0', key: key() }),
		400,
		/portion/
	],
	[
		'more than there is',
		(w) => `/ways/${w.lot}?/start`,
		() => ({ way: 'raw', grams: '900000', key: key() }),
		400,
		/free/
	],
	[
		'another household’s lot at the stove',
		(w) => `/ways/${w.otherLot}?/start`,
		() => ({ way: 'raw', key: key() }),
		404,
		/no such lot/
	],
	['a plan of another household’s lot', at('/ways?/take'), (w) => planOf(w.otherLot, 'raw', 0), 404, /no such lot/i],
	['a plan that goes no way', at('/ways?/take'), (w) => planOf(w.lot, 'julienne', 0), 400, /no way/],
	['a plan for a day after the last', at('/ways?/take'), (w) => planOf(w.lot, 'raw', 99), 400, /The plan|day/],
	['a plan that is no plan', at('/ways?/take'), () => ({ plan: '{', key: key() }), 400, /The plan/],
	['a lot that is none', at('/ways/elsewhere?/start'), () => ({ way: 'raw', key: key() }), 400, /not an id/],
	['more packs than there are', at('/shelves?/act'), (w) => act(w, { amount: '9999' }), 409, /only|left/],
	['half a pack', at('/shelves?/act'), (w) => act(w, { amount: '0.5' }), 400, /integer/],
	['minus a pack', at('/shelves?/act'), (w) => act(w, { amount: '-1' }), 400, /0/],
	['no pack', at('/shelves?/act'), (w) => act(w, { amount: '0' }), 400, /At least one/],
	['a word of packs', at('/shelves?/act'), (w) => act(w, { amount: 'all' }), 400, /number/],
	['another household’s packs', at('/shelves?/act'), (w) => act(w, { lotId: w.otherPacks }), 404, /no such lot/],
	['a move to nowhere', at('/shelves?/act'), (w) => act(w, { kind: 'move' }), 400, /Where to/],
	[
		'a move into another household',
		at('/shelves?/act'),
		(w) => act(w, { kind: 'move', placeId: w.otherPlace }),
		404,
		/no such place/
	],
	[
		'frozen packs into the pantry',
		at('/shelves?/act'),
		(w) => act(w, { kind: 'move', placeId: w.pantry }),
		422,
		/middle is frozen/
	],
	['a move to where it is', at('/shelves?/act'), (w) => act(w, { kind: 'move', placeId: w.freezer }), 409, /already/],
	[
		'a cause with a line break',
		at('/shelves?/act'),
		(w) => act(w, { kind: 'spoil', cause: 'a\u0007b' }),
		400,
		/cannot be kept/
	],
	['an altitude of a word', at('/kitchen?/altitude'), () => ({ altitude: 'high', unit: 'm' }), 400, /number/],
	['an altitude in parsecs', at('/kitchen?/altitude'), () => ({ altitude: '380', unit: 'pc' }), 400, /unit/],
	[
		'an altitude above every house',
		at('/kitchen?/altitude'),
		() => ({ altitude: '9000', unit: 'm' }),
		400,
		/altitude must be/
	],
	['an altitude of NaN', at('/kitchen?/altitude'), () => ({ altitude: 'NaN', unit: 'm' }), 400, /number/],
	['no altitude', at('/kitchen?/altitude'), () => ({ unit: 'm' }), 400, /required/],
	['a gauge that is none', at('/kitchen?/gear'), canner({ gauge: 'guess' }), 400, /gauge/],
	['a pressure canner that no tested time is for', at('/kitchen?/gear'), canner({ quarts: '3' }), 422, /4 quarts/],
	['a dial tested on a day that is none', at('/kitchen?/gear'), canner({ dialTested: '2026-02-30' }), 400, /a day/],
	['a machine that is none', at('/kitchen?/gear'), canner({ kind: 'oven' }), 400, /must be one of/],
	['a machine of another household changed', at('/kitchen?/gear'), canner({ id: nobody }), 404, /no such canner/],
	[
		'a pot that holds more than its measures',
		at('/kitchen?/gear'),
		pot({ litres: '30', diameterM: '24', heightM: '18' }),
		422,
		/By its measures/
	],
	[
		'rolls of no width',
		at('/kitchen?/gear'),
		() => ({ kind: 'sealer', name: 'x', rolls_m: '20, wide' }),
		400,
		/lengths in cm/
	],
	[
		'a helper who may fly',
		at('/kitchen?/gear'),
		() => ({ kind: 'person', name: 'x', 'may-fly': 'yes' }),
		400,
		/not allowed/
	],
	[
		'a machine removed that is none',
		at('/kitchen?/drop'),
		() => ({ what: 'gear', id: nobody }),
		404,
		/no such machine/
	],
	[
		'a freezer that is none',
		at('/kitchen/places?/at'),
		() => ({ id: nobody, tempC: '-18', litres: '9' }),
		404,
		/no such place/
	],
	[
		'a freezer that is none any more',
		at('/kitchen/places?/at'),
		(w) => ({ id: w.freezer, tempC: '-5', litres: '90' }),
		422,
		/does not keep its months/
	],
	['a freezer without litres', at('/kitchen/places?/at'), (w) => ({ id: w.freezer, tempC: '-18' }), 400, /hold/],
	[
		'a place as hot as an oven',
		at('/kitchen/places?/at'),
		(w) => ({ id: w.freezer, tempC: '180' }),
		400,
		/temperature/
	],
	[
		'lids for a mouth of a metre',
		at('/kitchen/drawer?/supply'),
		() => ({ kind: 'lid', name: 'x', size: '1000', amount: '3' }),
		400,
		/size/
	],
	[
		'a roll of another household counted',
		at('/kitchen/drawer?/countSupply'),
		() => ({ id: nobody, count: '3' }),
		404,
		/no such supply/
	],
	['nobody at table', at('/kitchen/house?/basics'), basics({ people: '0' }), 400, /People/],
	['a zone that is none', at('/kitchen/house?/basics'), basics({ zone: 'Middle/Earth' }), 400, /time zone/],
	['units of their own', at('/kitchen/house?/basics'), basics({ units: 'imperial' }), 400, /Units/],
	['minus ice', at('/kitchen?/cold'), gear({ iceKg: '-1' }), 400, /ice/],
	['no basin', at('/kitchen?/cold'), gear({ basins: '0' }), 400, /Basins/],
	['boiling tap water', at('/kitchen/house?/room'), room({ tapC: '90' }), 400, /Tap/],
	['a pot of nothing', at('/kitchen?/gear'), pot({ litres: '0' }), 400, /To the rim/],
	['a pot without a name', at('/kitchen?/gear'), pot({ name: ' ' }), 400, /name/],
	['a pot on a star', at('/kitchen?/gear'), pot({ burnerKind: 'fusion' }), 400, /burner/],
	['a pot of infinite watts', at('/kitchen?/gear'), pot({ burnerW: 'Infinity' }), 400, /its burner/i],
	[
		'numbers of a page in the other units',
		at('/kitchen/house?/room'),
		room({ shownIn: 'us' }),
		409,
		/units of this household/
	],
	['units that are none', at('/kitchen/house?/room'), room({ shownIn: 'ells' }), 409, /units of this household/],
	['a pot by a taken name', at('/kitchen?/gear'), pot({ name: 'Enamel pot' }), 409, /there already/],
	['a warm freezer', at('/kitchen/places?/place'), place({ tempC: '5' }), 422, /freezer keeps/],
	['a place below zero kelvin', at('/kitchen/places?/place'), place({ tempC: '-300' }), 400, /temperature/],
	['a box of half a millilitre', at('/kitchen/drawer?/container'), box({ volumeMl: '0.5' }), 400, /Millilitres/],
	['minus three boxes', at('/kitchen/drawer?/container'), box({ count: '-3' }), 400, /How many/],
	[
		'a count of another household’s box',
		at('/kitchen/drawer?/count'),
		() => ({ id: nobody, count: '3' }),
		404,
		/no such container/
	],
	['the freezer removed with packs in it', at('/kitchen/places?/remove'), (w) => ({ id: w.freezer }), 409, /in use/],
	[
		'another household’s place removed',
		at('/kitchen/places?/remove'),
		(w) => ({ id: w.otherPlace }),
		404,
		/no such place/
	],
	[
		'the household itself removed',
		at('/kitchen/drawer?/remove'),
		() => ({ what: 'household', id: nobody }),
		400,
		/must be one of/
	],
	['the demo cleared without being sure', at('/kitchen/house?/clear'), () => ({ name: 'Harrow End' }), 400, /sure/],
	['the demo laid over lots', at('/kitchen/house?/demo'), () => ({ name: 'Harrow End' }), 409, /lots of its own/],
	['into a household by no id', at('/kitchen/house?/goTo'), () => ({ id: 'next door' }), 400, /not an id/],
	['into a household that is none', at('/kitchen/house?/goTo'), () => ({ id: nobody }), 404, /no such household/],
	['a household without a name', at('/kitchen/house?/newHousehold'), () => ({ key: key() }), 400, /name/]
];

type Json = [what: string, path: (w: World) => string, body: (w: World) => unknown, status: number, says: RegExp];
const tap = (more: Record<string, unknown>) => ({ id: randomUUID(), at: Date.now(), ...more });
const run = (w: World) => `/stove/${w.run}/events`;
const jsons: Json[] = [
	['no events', run, () => ({ events: [] }), 400, /Taps/],
	['no body', run, () => null, 400, /./],
	['a tap of no kind', run, () => ({ events: [tap({ type: 'explode' })] }), 400, /kind of tap/],
	['a tap without an id', run, () => ({ events: [{ at: Date.now(), type: 'boiling' }] }), 400, /id/],
	['a tap at no time', run, () => ({ events: [{ id: randomUUID(), at: 'noon', type: 'boiling' }] }), 400, /time/],
	['a tap before there was time', run, () => ({ events: [tap({ type: 'boiling', at: -1000 })] }), 400, /time/],
	['a tap of a device without a name', run, () => ({ events: [tap({ type: 'boiling', device: '' })] }), 400, /device/],
	[
		'more taps at once than hands have',
		run,
		() => ({ events: Array.from({ length: 101 }, () => tap({ type: 'boiling' })) }),
		413,
		/At most 100/
	],
	[
		'packs that no harvest gives',
		run,
		(w) => ({ events: [tap({ type: 'pack', packs: 900, pack_g: 500, containerId: null, placeId: w.freezer })] }),
		409,
		/Is that right/
	],
	['a negative weight', run, () => ({ events: [tap({ type: 'weigh', grams: -5 })] }), 400, /weight/],
	['half a gram', run, () => ({ events: [tap({ type: 'weigh', grams: 0.5 })] }), 400, /integer|weight/],
	['potful nought', run, () => ({ events: [tap({ type: 'move', potful: 0, to: 'chill' })] }), 400, /potful/],
	[
		'a potful to the moon',
		run,
		() => ({ events: [tap({ type: 'move', potful: 1, to: 'moon' })] }),
		400,
		/must be one of/
	],
	[
		'packs into the pantry',
		run,
		(w) => ({ events: [tap({ type: 'pack', packs: 1, pack_g: 500, containerId: null, placeId: w.pantry })] }),
		422,
		/no freezer/
	],
	[
		'packs into another household',
		run,
		(w) => ({ events: [tap({ type: 'pack', packs: 1, pack_g: 500, containerId: null, placeId: w.otherPlace })] }),
		404,
		/no such place/
	],
	[
		'packs in a container that is none',
		run,
		(w) => ({ events: [tap({ type: 'pack', packs: 1, pack_g: 500, containerId: nobody, placeId: w.freezer })] }),
		404,
		/no such container/
	],
	[
		'another household’s run',
		(w) => `/stove/${w.otherRun}/events`,
		() => ({ events: [tap({ type: 'boiling' })] }),
		404,
		/no such run/
	],
	[
		'a run that is none',
		at(`/stove/${nobody}/events`),
		() => ({ events: [tap({ type: 'boiling' })] }),
		404,
		/no such run/
	],
	['a run by no id', at('/stove/x/events'), () => ({ events: [tap({ type: 'boiling' })] }), 400, /not an id/]
];

type Get = [what: string, path: (w: World) => string, status: number, says?: string];
/** A choice that Ways cannot make is named beside the page, which stays: the others are not lost with it. */
const stays = 'The ways below are worked out without it';
const gets: Get[] = [
	['another household’s ways', (w) => `/ways/${w.otherLot}`, 404],
	['ways by no id', at('/ways/x'), 400],
	['a jar like a bucket', (w) => `/ways/${w.lot}?jar=bucket`, 200, stays],
	['a portion of a word', (w) => `/ways/${w.lot}?portion=lots`, 200, stays],
	['a portion of minus', (w) => `/ways/${w.lot}?portion=-5`, 200, stays],
	['a cut that is none', (w) => `/ways/${w.lot}?cut=julienne`, 200, stays],
	['a pot by no id', (w) => `/ways/${w.lot}?pot=big`, 200, stays],
	['another household’s run', (w) => `/stove/${w.otherRun}`, 404],
	['another household’s batch', (w) => `/book/${w.otherCode}`, 404],
	['a batch that is none', at('/book/NOSUCH'), 404],
	['a date that is none', at('/book?before=tomorrow'), 400],
	['a shelf by no id', at('/shelves?all=top'), 400],
	['a search without end', at(`/shelves?q=${'x'.repeat(200)}`), 400],
	['labels without end', (w) => `/stove/${w.run}/labels?count=100000`, 400],
	['labels of a word', (w) => `/stove/${w.run}/labels?count=many`, 400],
	['labels of another household', (w) => `/stove/${w.otherRun}/labels`, 404],
	['an echo of too long a line', at(`/basket/echo?q=${'x'.repeat(300)}`), 400],
	['an echo of nothing at all', at('/basket/echo'), 400],
	['events after a word', (w) => `/stove/${w.run}/events?after=then`, 400]
];

test(`${forms.length + jsons.length + gets.length} hostile or mistaken inputs: a clear error, nothing written, nothing typed lost`, async ({
	page,
	home,
	context,
	browser,
	baseURL,
	sql
}) => {
	test.setTimeout(180_000);
	const origin = baseURL ?? '';
	expect(forms.length + jsons.length + gets.length).toBeGreaterThanOrEqual(60);
	const ids = async (household: string) => {
		const [raw] =
			await sql`select l.id from lot l join lot_balance b on b.lot_id = l.id where l.household_id = ${household} and l.waiting and l.food = 'zucchini'`;
		const [pack] =
			await sql`select l.id, l.place_id from lot l join lot_balance b on b.lot_id = l.id where l.household_id = ${household} and l.unit = 'pack' and l.state = 'frozen' and b.amount > 1 order by l.id limit 1`;
		const [pantry] = await sql`select id from place where household_id = ${household} and kind = 'pantry'`;
		const [container] = await sql`select id from container where household_id = ${household} limit 1`;
		const [step] =
			await sql`select group_id from movement where household_id = ${household} and kind = 'take' order by recorded_at limit 1`;
		return {
			raw: raw?.id as string,
			pack: pack?.id as string,
			freezer: pack?.place_id as string,
			pantry: pantry?.id as string,
			container: container?.id as string,
			step: step?.group_id as string
		};
	};
	await startRun(page, 'runner beans');
	const runId = page.url().split('/').pop() ?? '';
	// Another household, with a run of its own, in another browser.
	const stranger = await browser.newContext({ baseURL: origin });
	await postForm(stranger.request, origin, '/kitchen/house?/newHousehold', { name: 'Next door', key: key() });
	await postForm(stranger.request, origin, '/kitchen/house?/demo', { name: 'Next door' });
	const otherId = (await stranger.cookies()).find((c) => c.name === 'household')?.value.split('.')[0] ?? '';
	const other = await ids(otherId);
	const started = await postForm(stranger.request, origin, `/ways/${other.raw}?/start`, { way: 'raw', key: key() });
	const own = await ids(home.id);
	await sql`update batch set code = 'NEXTDOOR' where household_id = ${otherId} and code = 'DEMO3'`;
	const world: World = {
		lot: own.raw,
		packs: own.pack,
		run: runId,
		container: own.container,
		freezer: own.freezer,
		pantry: own.pantry,
		otherLot: other.raw,
		otherPacks: other.pack,
		otherRun: started.location?.split('/').pop() ?? '',
		otherPlace: other.freezer,
		otherStep: other.step,
		otherCode: 'NEXTDOOR',
		usedKey: key()
	};
	expect(world.otherRun).toMatch(/^[0-9a-f-]{36}$/);
	const before = [await fingerprint(sql, home.id), await fingerprint(sql, otherId)];

	for (const [what, path, form, status, says] of forms) {
		const sent = form(world);
		const answer = await postForm(context.request, origin, path(world), sent);
		expect(answer.type, what).toBe('failure');
		expect(answer.status, what).toBe(status);
		expect(answer.data, what).toMatch(says);
		expect(answer.data, `${what}: says nothing was done`).toMatch(
			/Nothing was|nothing was|There is no such|Nothing is/
		);
		// What was typed comes back with the error.
		// The marks of a form are its page's, not the person's.
		for (const [name, value] of Object.entries(sent))
			if (name !== 'shownIn' && value.trim() !== '')
				expect(answer.data, what).toContain(JSON.stringify(value).slice(1, -1).replaceAll('<', '\\u003C').slice(0, 60));
	}
	for (const [what, path, body, status, says] of jsons) {
		const reply = await context.request.post(path(world), { data: body(world) as object, headers: { origin } });
		const answer = (await reply.json()) as { error: { code: string; message: string; faults: unknown[] } };
		expect(reply.status(), what).toBe(status);
		expect(answer.error.message, what).toMatch(says);
		expect(Object.keys(answer.error).sort(), what).toEqual(['code', 'faults', 'message']);
	}
	for (const [what, path, status, says = ''] of gets) {
		const reply = await context.request.get(path(world), { headers: { accept: 'text/html' } });
		expect(reply.status(), what).toBe(status);
		const text = await reply.text();
		expect(text, what).toContain(says);
		expect(text, what).not.toContain('at file://');
	}
	const notJson = await context.request.post(run(world), {
		data: '{"events":',
		headers: { origin, 'content-type': 'application/json' }
	});
	expect(notJson.status()).toBe(400);
	const foreign = await context.request.post('/basket?/add', {
		form: { text: '9 kg carrots', key: key() },
		headers: { origin: 'http://elsewhere.example' }
	});
	expect(foreign.status()).toBe(403);
	expect([await fingerprint(sql, home.id), await fingerprint(sql, otherId)]).toEqual(before);

	// A double submit: the same key twice, and at once.
	const twice = { text: '1 kg carrots', key: world.usedKey };
	await Promise.all([1, 2, 3].map(() => postForm(context.request, origin, '/basket?/add', twice)));
	const [lots] =
		await sql`select count(*)::int as n from lot where household_id = ${home.id} and food = 'carrots' and waiting`;
	expect(lots?.n).toBe(1);
	// A start whose answer was lost, sent again: the run that was started then, not "nothing was started".
	const begin = { way: 'raw', key: key() };
	const starts = [];
	for (let i = 0; i < 3; i++) starts.push(await postForm(context.request, origin, `/ways/${world.lot}?/start`, begin));
	expect(starts.map((s) => s.type)).toEqual(['redirect', 'redirect', 'redirect']);
	expect(new Set(starts.map((s) => s.location)).size).toBe(1);
	// The same key with something else in it is told so.
	const changed = await postForm(context.request, origin, `/ways/${world.lot}?/start`, { ...begin, way: 'cook' });
	expect(changed.data).toMatch(/sent before with something else/);
	const same = { name: 'Twice', key: key() };
	const homes = await Promise.all(
		[1, 2].map(() => postForm(stranger.request, origin, '/kitchen/house?/newHousehold', same))
	);
	expect(homes.map((h) => h.type)).toEqual(['redirect', 'redirect']);
	const [made] = await sql`select count(*)::int as n from household where name = 'Twice'`;
	expect(made?.n).toBe(1);
	await stranger.close();
});

test('a script in a name is shown as text', async ({ page, home, baseURL, context, quiet }) => {
	void home;
	const name = '<img src=x onerror=alert(1)>';
	await postForm(context.request, baseURL ?? '', '/kitchen?/gear', {
		kind: 'pot',
		name,
		litres: '8',
		burnerW: '2000',
		burnerKind: 'gas'
	});
	await postForm(context.request, baseURL ?? '', '/basket?/add', { text: `2 kg carrots, note: ${name}`, key: key() });
	await page.goto('/kitchen');
	await expect(page.getByText(name, { exact: true }).first()).toBeVisible();
	await page.goto('/basket');
	await expect(page.getByText(name)).toBeVisible();
	void quiet;
});
