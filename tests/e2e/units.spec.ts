import { randomUUID } from 'node:crypto';
import { expect, hydrated, postForm, test } from './help';

const pages = [
	'/basket', '/ways', '/ways/offer?say=20+kg+plums+at+0.90', '/stove', '/stove/meat?basis=live&grams=250+lb', '/shelves', '/book', '/kitchen', '/kitchen/drawer', '/kitchen/places', '/kitchen/house', '/tables', '/tables/tomatoes', '/tables/green-beans',
	'/tables/beef', '/tables/apples', '/tables/sweet-corn', '/tables/eggs', '/tables/way/freeze', '/tables/way/dry', '/tables/way/can',
	'/tables/way/jam', '/tables/way/vacuum', '/tables/way/meat', '/tables/way/cellar', '/tables/compare?food=carrots&food=beets',
	'/tables/ratio/apple-butter', '/tables/differences'
]; // prettier-ignore

const amount = '[−-]?[\\d.,½¼¾⅓⅔⅛⅜⅝⅞/]+(?:(?: to |–|-)[−-]?[\\d.,½¼¾⅓⅔⅛⅜⅝⅞/]+)?';
/** "71 °C (160 °F)": what was printed stands in brackets beside the household's own. */
const pair = new RegExp(`${amount}[ \\u00a0]?[^\\s()]+(?: to \\d+ L| to the cubic foot)? ?\\((?:about )?${amount}[ \\u00a0]?[^()]{1,30}\\)`, 'g'); // prettier-ignore
/** Jars, cups, spoons and pounds a square inch are printed so everywhere; the rest belongs to one of the two. */
const others = {
	metric: /(?<![\w.])(?:\d[\d.,½¼¾]*|[½¼¾⅓⅔⅛])[ \u00a0]?(?:°F|lb|oz|gal|gallons?|ft|inch(?:es)?|cubic f(?:ee|oo)t)\b/,
	us: /(?<![\w.])(?:\d[\d.,½¼¾]*|[½¼¾])[ \u00a0]?(?:°C|kg|g|ml|L|mm|cm|kPa|kilos?|m|litres?)(?![\w²])|€|\bEUR\b/
};

for (const units of ['metric', 'us'] as const) {
	test(`every page says its quantities in the household's units: ${units}`, async ({ page, context, baseURL }) => {
		test.slow();
		const post = (path: string, form: Record<string, string>) => postForm(context.request, baseURL ?? '', path, form);
		await post('/kitchen/house?/newHousehold', { name: 'Units', key: randomUUID() });
		// The demo's own containers and prices are a metric household's words; here the household sets up its own.
		await post('/kitchen/house?/basics', { name: 'Units', people: '4', units, zone: units === 'us' ? 'America/Chicago' : 'Europe/Prague' }); // prettier-ignore
		await post('/kitchen?/altitude', { altitude: '300', unit: 'm' });
		await post('/kitchen?/gear', { kind: 'canner', name: 'Canner', quarts: '7', gauge: 'weighted' });
		await post('/kitchen?/gear', {
			kind: 'pot',
			name: 'Big pot',
			litres: '12',
			burnerW: '2000',
			burnerKind: 'electric'
		});
		for (const [kind, more] of Object.entries<Record<string, string>>({
			dryer: {
				trays: '5',
				trayArea_m2: units === 'us' ? '140' : '0.09',
				power_W: '500',
				heater: 'back',
				leastTrays: '3',
				tare_kg: '0.5'
			},
			sealer: { rolls_m: units === 'us' ? '8, 11' : '20, 28' },
			moulds: { hollows: '24', each_mL: '30' },
			mill: { kg_h: '9' },
			person: { handsH: '2', 'may-wash': 'yes' }
		}))
			expect((await post('/kitchen?/gear', { kind, name: kind, ...more })).type, kind).toBe('success');
		await post('/kitchen/drawer?/supply', { kind: 'lid', name: 'Lids', size: '70', amount: '4', low: '6' });
		await post('/kitchen/places?/place', { name: 'Chest freezer', kind: 'freezer', tempC: units === 'us' ? '0' : '-18', litres: '240' }); // prettier-ignore
		for (const text of ['20 lb tomatoes', '3 kg green beans', '2 kg beef'])
			expect((await post('/basket?/add', { text, key: randomUUID() })).type).toBe('success');
		for (const path of pages) {
			await page.goto(path);
			await hydrated(page);
			await page.waitForTimeout(/^\/ways(\/offer|$)/.test(path) ? 1500 : 100);
			await page.locator('details').evaluateAll((all) => all.forEach((d) => ((d as HTMLDetailsElement).open = true)));
			// Beside its own the page shows what was printed, and what a person has typed.
			await page.locator('[data-printed], [data-typed], option').evaluateAll((all) => all.forEach((e) => e.remove()));
			const text = (await page.locator('main').innerText()).replace(pair, '');
			expect(
				text.split('\n').filter((l) => others[units].test(l)),
				path
			).toEqual([]);
		}
	});
}
