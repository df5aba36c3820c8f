import { findRehydrating } from '../../../recipes/find-recipe';
import { sources } from '../../../../reference/sources';
import { coolingRule } from '../../../heat/cooling';
import { dateIn } from '../../../freezing/keep';
import type { Refusal } from '../../../errors';
import { sayFraction } from '../../../quantities/format';
import { isMeat } from '../../../safety/dry';
import { gate } from '../../../safety/gate';
import { stylesOf } from '../../../packing/pack-style';
import { governing } from '../../../things/mixture';
import type { Part, Thing } from '../../../things/thing';
import { coreVersion } from '../../../version';
import { freezeWays } from '../../../ways/freeze-ways';
import type { FreezeWay } from '../../../ways/freeze-way';
import type { Kitchen } from '../../../ways/kitchen';
import type { Container } from '../../../packing/packs';
import type { KitPart, KitPlan, KitSubject } from './plan';

/** A lot that is to go into a kit, with what one pack gets of it, ready. */
export interface KitAsk {
	readonly lotId: string;
	readonly thing: Thing;
	/** As the household calls it. */
	readonly called: string;
	readonly free_g: number;
	readonly each_g: number;
	/** What its label says, or its clock where it has none: "2027-03-01". */
	readonly keepsUntil: string;
}

/** How a lot goes into a kit. */
export interface KitPartRead {
	readonly kind: 'part';
	/** Of its weight as it is, what is left when it is ready. */
	readonly share: number;
	readonly prepare: string;
	readonly until: string;
	readonly months: number;
	readonly dried: boolean;
	/** It runs: stock, purée, juice. */
	readonly liquid: boolean;
	readonly source: string;
	readonly cautions: readonly string[];
}

const daysOfMonth = 30.4;

/**
 * How a lot goes into a kit: frozen or dried as it is, with its own date; cooked or raw by its way into the freezer. What wants
 * a blanch is refused: that is done to it by itself, since no one time is right for a mixture.
 */
export function kitPart(ask: Omit<KitAsk, 'each_g'>, kitchen: Kitchen, now: number): KitPartRead | Refusal {
	const { thing, free_g } = ask;
	const stopped = gate({ thing, way: 'room' });
	if (stopped) return stopped;
	const months = Math.max(
		0,
		Math.floor((Date.parse(`${ask.keepsUntil}T12:00:00Z`) - now) / (daysOfMonth * 86_400_000))
	);
	if (thing.state === 'frozen' || thing.state === 'dried')
		return {
			kind: 'part',
			share: 1,
			prepare:
				thing.state === 'frozen'
					? 'Loose, hard frozen.'
					: 'Crisp or leathery, as it came from its jar; nothing that clumps.',
			until: ask.keepsUntil,
			months,
			dried: thing.state === 'dried',
			liquid: false,
			source: sources.practice.short,
			cautions: []
		};
	const grams = Math.max(1, free_g);
	const { ways } = freezeWays({ thing, grams, food_C: 20, kitchen, choices: {}, now });
	const way = ways.find((w): w is FreezeWay => w.kind === 'way' && w.becomes === 'raw');
	if (way)
		return {
			kind: 'part',
			share: Math.min(1, way.prepared_g / grams),
			prepare: way.cut.prepare ?? 'Wash, dry, cut evenly.',
			until: way.keepsUntil,
			months: way.months[1],
			dried: false,
			liquid: way.style === 'liquid' || stylesOf(way.cut, null).includes('liquid'),
			source: way.source,
			cautions: [...longerWords(ask.called, way, ways), ...way.cautions.map((c) => c.text)]
		};
	const refused = ways.find((w) => w.kind === 'refused');
	if (refused?.kind === 'refused' && !ways.some((w) => w.kind === 'way')) return refused;
	const heat = ways.find((w): w is FreezeWay => w.kind === 'way');
	return {
		kind: 'refused',
		reason: `${ask.called} keep in the freezer only with their own heat first${heat ? ` (${heat.blanchWords})` : ''}: raw in a kit they turn, and nobody has printed a time for the mixture.`,
		source: sources.nchfpBlanching.title,
		instead: [
			`Freeze ${ask.called} loose by their own way first; the frozen ones then go into the kit as they are`,
			'Make the kit without them'
		]
	};
}

/** Where its own heat would make it keep longer than raw. */
function longerWords(called: string, raw: FreezeWay, ways: ReturnType<typeof freezeWays>['ways']): string[] {
	const heated = ways.find((w): w is FreezeWay => w.kind === 'way' && w.keepsUntil > raw.keepsUntil);
	return heated && heated.months[1] > raw.months[1]
		? [
				`Raw, ${called} keep ${raw.months[1]} months; frozen loose by their own way first (${heated.blanchWords}) ${heated.months[1]}.`
			]
		: [];
}

/** Of each part how many kits it is enough for, and what is left of it or wanting for as many as are asked for, g ready. */
export interface KitReach {
	readonly lotId: string;
	readonly enough: number;
	readonly left_g: number;
	readonly short_g: number;
}

/** How far each part reaches. @param count null: as many as all parts are enough for */
export function reachOf(
	parts: readonly {
		readonly lotId: string;
		readonly free_g: number;
		readonly each_g: number;
		readonly share: number;
	}[],
	count: number | null
): { readonly count: number; readonly most: number; readonly parts: readonly KitReach[] } {
	// Two parts may be of one lot: they share what is free of it.
	const wanted = (lotId: string) =>
		parts.filter((p) => p.lotId === lotId).reduce((sum, p) => sum + p.each_g / p.share, 0);
	// Half a gram of the lot is the scale's play.
	const enough = (p: (typeof parts)[number]) => Math.floor((p.free_g + 0.5) / wanted(p.lotId));
	const most = parts.length === 0 ? 0 : Math.min(...parts.map(enough));
	const n = count ?? most;
	return {
		count: n,
		most,
		parts: parts.map((p) => {
			const spare_g = (p.free_g - n * wanted(p.lotId)) * p.share;
			return {
				lotId: p.lotId,
				enough: enough(p),
				left_g: Math.max(0, Math.round(spare_g)),
				short_g: Math.max(0, Math.round(-spare_g))
			};
		})
	};
}

/** Water and minutes for what is dried, as the label says it; empty where a part has no row. @source nchfpRehydrating (from memory) */
function waterWords(asks: readonly KitAsk[]): string {
	const rows = asks.map((a) => findRehydrating(a.thing.food.id));
	if (rows.length === 0 || rows.some((r) => r === undefined)) return '';
	const known = rows.flatMap((r) => r ?? []);
	const boiling = known.some((r) => r.water === 'boiling');
	const hours = Math.max(...known.map((r) => r.hours));
	const each = known.map((r, i) => `${sayFraction(r.cups)} to a cup of ${asks[i]?.called ?? ''}`);
	const time = hours < 1 ? `${Math.round(hours * 60)} min` : `${sayFraction(hours)} h`;
	return `${boiling ? 'Boiling water' : 'Water'}, cups: ${each.join(', ')}; ${time}, then simmer until tender.`;
}

export interface KitChosen {
	/** "Smoothie". */
	readonly name: string;
	readonly asks: readonly KitAsk[];
	readonly count: number;
	readonly container: Container | null;
	/** What the label is to say of its use; empty: what is known. */
	readonly use: string;
}

/** Freezes a kit into the plan of a run; what of it may not be is refused with its reason. */
export function planKit(chosen: KitChosen, kitchen: Kitchen, now: number): KitPlan | Refusal {
	const { asks, count } = chosen;
	const reads: KitPartRead[] = [];
	for (const ask of asks) {
		const read = kitPart(ask, kitchen, now);
		if (read.kind === 'refused') return read;
		reads.push(read);
	}
	const dried = reads.every((r) => r.dried);
	const meat = asks.some((a) => isMeat(a.thing.food));
	// The strictest place of all parts: dry and sealed only where all of it is, and none of it is meat.
	const place = dried && !meat ? 'pantry' : 'freezer';
	const portion_g = Math.round(asks.reduce((sum, a) => sum + a.each_g, 0));
	const madeOf: Part[] = sharesOf(asks, portion_g);
	const worst = governing(madeOf);
	const order = [...asks.keys()].sort((a, b) => rank(asks[a]) - rank(asks[b]));
	const parts = order.flatMap((i, nth): KitPart[] => {
		const [ask, read] = [asks[i], reads[i]];
		if (!ask || !read) return [];
		const ready_g = Math.round(ask.each_g * count);
		const { thing } = ask;
		return [
			{
				n: nth + 1,
				lotId: ask.lotId,
				raw_g: Math.max(1, Math.min(ask.free_g, Math.round(ready_g / read.share))),
				food: { id: thing.food.id, name: ask.called },
				form: thing.form,
				state: thing.state,
				each_g: Math.round(ask.each_g),
				ready_g,
				prepare: read.prepare,
				outOfCold_s:
					thing.state !== 'dried' && (thing.food.perishable === true || thing.state === 'cooked')
						? coolingRule.first_s
						: null
			}
		];
	});
	const weakestAt = reads.reduce((at, r, i) => (r.until < (reads[at]?.until ?? '') ? i : at), 0);
	const until = reads[weakestAt]?.until ?? dateIn('UTC', now);
	const water = dried ? waterWords(asks) : '';
	const raw = asks.some((a) => isMeat(a.thing.food) && a.thing.state !== 'cooked' && a.thing.state !== 'dried');
	const byHand_s = parts.reduce(
		(sum, p) => sum + (p.ready_g / 1000) * (p.state === 'frozen' || p.state === 'dried' ? 60 : 300),
		0
	);
	const hands_s = byHand_s + count * 60;
	const subject: KitSubject = {
		n: 1,
		raw_g: parts.reduce((sum, p) => sum + p.raw_g, 0),
		food: { id: worst.row.id, name: chosen.name },
		form: worst.form,
		state: dried ? 'dried' : 'frozen',
		place,
		until,
		weakest: asks[weakestAt]?.called ?? '',
		madeOf,
		load_g: portion_g * count,
		portion_g,
		container: chosen.container ? { id: chosen.container.id, name: chosen.container.name } : null,
		months: [0, Math.max(0, Math.max(...reads.map((r) => r.months)))],
		// What endangers is said whatever somebody writes: raw meat in it is cooked through.
		use: [
			raw ? 'Cook through from frozen: there is raw meat in it.' : '',
			chosen.use || water || (raw || dried ? '' : 'From frozen.')
		]
			.filter(Boolean)
			.join(' '),
		source: [...new Set(reads.map((r) => r.source))].join(' · '),
		cautions: [...new Set(reads.flatMap((r) => r.cautions))],
		// What is left of a part goes back by weight, as what it is.
		byproducts: parts
			.filter((p) => p.state !== 'frozen' && p.state !== 'dried')
			.map((p) => ({ food: p.food.id, form: p.form, name: `${p.food.name}, left over`, grams: 100 })),
		expected: { hands_s, elapsed_s: hands_s }
	};
	return { core: coreVersion, kind: 'kit', version: 1, units: kitchen.units, subjects: [subject], parts, count };
}

/** Fresh things first, then what is dry, then what is frozen: it comes out last. */
const rank = (ask: KitAsk | undefined): number =>
	ask?.thing.state === 'frozen' ? 2 : ask?.thing.state === 'dried' ? 1 : 0;

/** Shares by weight, food by food: a mixture names each of its foods once. */
function sharesOf(asks: readonly KitAsk[], portion_g: number): Part[] {
	const parts = new Map<string, Part>();
	for (const { thing, each_g } of asks) {
		if (thing.madeOf && thing.madeOf.length > 1) {
			for (const p of thing.madeOf) add(parts, p, (p.share * each_g) / portion_g);
			continue;
		}
		const kind = thing.kind ? { kind: thing.kind.id } : {};
		add(parts, { food: thing.food.id, form: thing.form, share: 0, ...kind }, each_g / portion_g);
	}
	const sum = [...parts.values()].reduce((s, p) => s + p.share, 0);
	return [...parts.values()].map((p) => ({ ...p, share: p.share / sum }));
}

function add(parts: Map<string, Part>, part: Part, share: number): void {
	const key = `${part.food} ${part.kind ?? ''} ${part.form}`;
	const known = parts.get(key);
	parts.set(key, { ...part, share: (known?.share ?? 0) + share });
}
