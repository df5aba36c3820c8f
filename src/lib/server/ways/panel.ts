import { sayAs } from '$core/quantities/dates';
import { sayCount, sayDuration, sayVolume, sayWeight } from '$core/quantities/format';
import { sayMoney } from '$core/quantities/money';
import type { GlanceWay } from '$core/ways/glance';
import type { Caution } from '$core/safety/cautions';
import { sources } from '$reference/sources';
import type { Fact, Panel, Start, Switch } from '$lib/ui/ways/view';
import type { Look } from './look';
import { count } from './rows';

/** What each kind of panel fills in; what all have alike is made here. */
export type Own = Omit<Panel, 'slug' | 'name' | 'sums' | 'part_g' | 'each_g' | 'at' | 'says'>;

export const fact = (label: string, strong: string, words = '', warn = ''): Fact => ({
	label,
	strong,
	words,
	warn,
	minor: false
});

/** A fact whose figure says it all where there is little room. */
export const minor = (label: string, strong: string, words: string, warn = ''): Fact => ({
	...fact(label, strong, words, warn),
	minor: true
});

export const cautionsShown = (list: readonly Caution[]) =>
	list.map((c) => ({ id: c.id, text: c.text, source: c.source === 'practice' ? null : sources[c.source].short }));

export const sourced = (source: string, confidence: string): string =>
	confidence === 'practice' ? 'common practice, no published source' : `${source} · ${confidence}`;

/** Hours and minutes while they are few, then hours, then days. */
export const sayLong = (seconds: number): string =>
	seconds > 3 * 86_400
		? `${Math.round(seconds / 86_400)} days`
		: seconds > 36_000
			? `about ${Math.round(seconds / 3600)} h`
			: sayDuration(seconds);

/** "at the pace of your last 3 batches": the knife goes by what was said of them. */
function ownHandsWords(way: GlanceWay, { hands, freeze, dry }: Look): string {
	const frozen = freeze.map((f) => f.way).find((w) => w.kind === 'way' && `freeze-${w.id}` === way.id);
	const one = way.way === 'dry' ? dry : way.way === 'freeze' ? frozen : undefined;
	// Jars have no knife of their own cut: they go by one pace for all.
	const own = one?.kind === 'way' ? hands.find((h) => h.cut === one.cut.id) : undefined;
	return own ? `the knife at the pace of your last ${sayCount(own.batches, 'batch', 'batches')}` : '';
}

/** Hands, start to away, room, cost: of every way alike. */
export function sumsOf(way: GlanceWay, free_s: number, look: Look, now: Date): Panel['sums'] {
	const { kitchen } = look;
	const { currency } = kitchen.prices;
	const done = now.getTime() + way.elapsed_s * 1000;
	const ready_kg = (way.packs * way.each_g) / 1000;
	const perKilo = way.cost && ready_kg > 0 ? Math.round(way.cost.total / ready_kg) : null;
	return [
		{
			label: 'your hands',
			figure: sayDuration(way.hands_s),
			words: [free_s > 0 ? `${sayLong(free_s)} free between` : 'in one go', ownHandsWords(way, look)]
				.filter(Boolean)
				.join('; ')
		},
		{
			label: 'start to away',
			figure: sayLong(way.elapsed_s),
			words: `started now, done ${sayAs(done, kitchen.zone, way.elapsed_s < 43_200 ? 'HH:mm' : 'EEE d MMM, HH:mm')}`
		},
		{
			label: 'room',
			figure: sayVolume(way.litres, kitchen.units),
			words: way.store === 'freezer' ? `of freezer, ${sayVolume(Math.max(0, kitchen.freezerFree_L), kitchen.units)} free` : 'of a shelf' // prettier-ignore
		},
		way.cost
			? {
					label: `costs, a ${way.each}`,
					figure: sayMoney(way.cost.perPack, currency),
					words: `${perKilo === null ? '' : `${sayMoney(perKilo, currency)} a kilo ready; `}${sayMoney(way.cost.perPackWithoutHours, currency)} without your hours`
				}
			: { label: 'costs', figure: '–', words: 'nothing whole comes of it' }
	];
}

/** "16 packs", "5 quarts": what comes of a part, in the fewest words. */
export const getsOf = (way: GlanceWay, jar: string | null): string =>
	`${way.packs} ${count(way.packs, jar ?? way.each)}`;

export const each = (grams: number, look: Look): string => `${sayWeight(grams, look.kitchen.units)} in each`;

/** One of a few, with one alone left out. */
export const oneOf = (
	name: string,
	label: string,
	value: string,
	options: Extract<Switch, { kind: 'one-of' }>['options']
): Switch[] => (options.length > 1 ? [{ kind: 'one-of', name, label, value, options }] : []);

/** Begun on a page of its own, where the rest of it is chosen. */
export const beginsAt = (free_g: number, href: string, words: string): Start =>
	free_g > 0 ? { kind: 'page', href, words } : { kind: 'no', words: 'All of it is at the Stove already.' };

/** Started as it stands, while some of it is free. */
export const startOf = ({ free_g }: Look): Start =>
	free_g > 0 ? { kind: 'start' } : { kind: 'no', words: 'All of it is at the Stove already.' };
