import { groups } from 'd3-array';
import { machineWorth, type PricedMachine } from '$core/costs/seasons';
import { sayMoney } from '$core/quantities/money';
import { sayCount, sayDuration } from '$core/quantities/format';
import { sayDate } from '$core/quantities/dates';
import { foodById } from '$core/things/names';
import { moneyOf } from './book-food';
import type { Stores } from './stores';
import type { HouseholdRow } from './stores/households';

const worksFor: ReadonlySet<string> = new Set<PricedMachine>(['dryer', 'canner', 'freeze-dryer']);
const isPriced = (kind: string): kind is PricedMachine => worksFor.has(kind);
const nameOf = (food: string): string => foodById(food)?.name ?? food;

/** What was paid and seen, food by food, and whether the machines have paid for themselves. */
export async function priceBook(stores: Stores, household: HouseholdRow) {
	const [paid, seen, machines, equipment, batches] = await Promise.all([
		stores.prices.paid(),
		stores.prices.seen(),
		stores.prices.machines(),
		stores.gear.equipment(),
		stores.seasons.batches()
	]);
	const { currency } = household;
	const kilo = (minor: number, of: string) => `${sayMoney(Math.round(minor), of)} a kilo`;
	const foods = groups(paid, (p) => p.food)
		.map(([food, list]) => {
			const own = list.filter((p) => p.currency === currency && p.kg > 0).map((p) => ({ ...p, perKg: p.minor / p.kg }));
			const [last] = own;
			const each = own.map((p) => p.perKg);
			return last
				? [
						{
							food,
							name: nameOf(food),
							last: kilo(last.perKg, currency),
							when: [sayDate(last.on), last.shop ?? ''].filter(Boolean).join(', '),
							range:
								own.length === 1
									? 'once'
									: Math.min(...each) === Math.max(...each)
										? `${sayCount(own.length, 'time')} at that price`
										: `${sayCount(own.length, 'time')}, from ${sayMoney(Math.round(Math.min(...each)), currency)} to ${sayMoney(Math.round(Math.max(...each)), currency)}`
						}
					]
				: [];
		})
		.flat()
		.sort((a, b) => (a.name < b.name ? -1 : 1));
	const money = batches.map((b) => ({ on: b.packedOn, ...moneyOf(household, seen)(b) }));
	return {
		foods,
		seen: seen.map((p) => ({
			id: p.id,
			name: nameOf(p.food),
			kept: p.kept,
			price: kilo(p.perKg, p.currency),
			where: [p.shop, sayDate(p.seenOn)].filter(Boolean).join(', ')
		})),
		machines: equipment.flatMap((m) => {
			if (!isPriced(m.kind)) return [];
			const price = machines.find((x) => x.id === m.id && x.currency === currency);
			if (!price) return [{ id: m.id, name: m.name, paid: '', boughtOn: '', words: '', done: false }];
			const worth = machineWorth(
				m.kind,
				price.paid,
				money.filter((b) => b.on >= price.boughtOn),
				household
			);
			const say = (minor: number) => sayMoney(Math.round(minor), currency);
			const by = `${sayCount(worth.batches, 'batch', 'batches')} since ${sayDate(price.boughtOn)}${worth.priced < worth.batches ? `, of which ${worth.priced} have a price in a shop` : ''}`;
			return [
				{
					id: m.id,
					name: m.name,
					paid: say(price.paid),
					boughtOn: price.boughtOn,
					done: worth.left <= 0,
					words: `${by}: ${say(Math.abs(worth.saved))} ${worth.saved >= 0 ? 'saved' : 'more than in a shop'}, for ${sayDuration(worth.hours_s)} of own hands. ${worth.left > 0 ? `${say(worth.left)} to go.` : `It has paid for itself, and ${say(-worth.left)} beyond.`}`
				}
			];
		})
	};
}
