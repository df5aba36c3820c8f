import { apartNames, isApart } from '$core/haul/apart';
import { cutUp } from '$core/meat/break-down';
import { fermentRowOf } from '$core/runs/kinds/ferment/make';
import { storable } from '$core/runs/kinds/store/make';
import { sealedAsIs } from '$core/runs/kinds/seal/make';
import { ratiosOf } from '$core/runs/kinds/ratio/make';
import { cookedDown } from '$core/runs/kinds/cook-down/make';
import { stillGoodFor } from '$core/things/clock';
import { partWords } from '$core/things/mixture';
import type { GlanceWay } from '$core/ways/glance';
import type { Panel, WaysView } from '$lib/ui/ways/view';
import { formWords } from '../haul';
import { notFound } from '../errors';
import type { Stores } from '../stores';
import { lotThing } from '../things';
import { canPanel } from './can-panel';
import { dryPanel } from './dry-panel';
import { freezePanel } from './freeze-panel';
import { canSlug, lookAt, lookAtPart, type Asked, type Look } from './look';
import { getsOf, sumsOf, type Own } from './panel';
import { named, recipesOf, rowsOf, type Named } from './rows';

/**
 * The page of a lot's ways with one of them open.
 *
 * @throws {AppError} 404 no such lot, no such way of it
 */
export async function waysView(stores: Stores, lotId: string, asked: Asked, now: Date): Promise<WaysView> {
	const look = await lookAt(stores, lotId, asked, now);
	const basket = await stores.stock.basket();
	const all = named(look);
	const { rows, notNow, no } = rowsOf(all, now.getTime());
	const recipes = recipesOf(look.cans);
	const slug = asked.way ?? openedBy(asked, look) ?? rows[0]?.slug ?? notNow[0]?.slug ?? recipes[0]?.slug;
	const part = look.shares.find((s) => s.way === slug)?.grams ?? look.whole_g;
	const panel = look.stop || slug === undefined ? null : panelOf(lookAtPart(look, part, now), slug, now);
	if (!panel && !look.stop && asked.way !== undefined && !no.some((n) => n.slug === asked.way)) throw notFound('way');
	return {
		lot: lotOf(look, now),
		stop: look.stop ? { ...look.stop, asks: look.stop.asks ?? null } : null,
		goodFor: look.stop ? null : (stillGoodFor(look.thing) ?? null),
		faults: look.faults,
		rows,
		notNow,
		recipes,
		no,
		panel,
		shares: sharesOf(look, all, now),
		...neighbours(basket, lotId, now)
	};
}

/** What an address of before is about, where it names no way: its jars, its dryer. */
function openedBy({ fields }: Asked, { cans, dry }: Look): string | undefined {
	const plain = cans.find((c) => !c.recipe);
	if ((fields.jar || fields.style) && plain) return canSlug(plain.id);
	if ((fields.mm || fields.skin || fields.dry || fields.blanch) && dry.kind === 'way') return 'dry';
	return undefined;
}

/** The open way for its part of the lot; null where it is none, or refused. */
export function panelOf(look: Look, slug: string, now: Date): Panel | null {
	const found = named(look).find((n) => n.slug === slug);
	const row = found?.row.kind === 'way' ? found.row : null;
	const own = ownOf(look, slug, row, now);
	if (!own) return null;
	const { clock } = own;
	const free_s = clock?.free ? clock.free.to_s - clock.free.from_s : 0;
	const can = look.cans.find((c) => canSlug(c.id) === slug);
	return {
		slug,
		name: found?.name ?? can?.way.product.name ?? slug,
		part_g: look.shown_g,
		at: now.getTime(),
		says: saysOf(look, slug),
		each_g: row ? Math.round(row.each_g) : null,
		sums: row ? sumsOf(row, free_s, look, now) : [],
		...own
	};
}

/** The fields that the open way was worked out from, its cut, size and amount among them. */
function saysOf(look: Look, slug: string): Panel['says'] {
	if (slug === 'dry') {
		const { dry, mm, skin, blanch, air } = look.readOf(slug).query;
		const said = { dry, mm, skin, blanch, air, grams: look.shown_g };
		return Object.fromEntries(
			Object.entries(said).flatMap(([name, v]) => (v === undefined ? [] : [[name, String(v)]]))
		);
	}
	const frozen = look.freeze.find((f) => f.becomes === slug);
	if (frozen?.way.kind !== 'way') return {};
	const { cut, size, portion, pot, container, potfuls, packed } = look.readOf(slug).query;
	const said = { cut, size, portion, pot, container, potfuls, packed };
	return {
		...Object.fromEntries(Object.entries(said).flatMap(([name, value]) => (value ? [[name, value]] : []))),
		...(frozen.ways.cut && frozen.cuts.length > 1 ? { cut: frozen.ways.cut.id } : {}),
		...(frozen.sizes.length > 1 ? { size: frozen.way.id } : {}),
		grams: String(look.shown_g)
	};
}

function ownOf(look: Look, slug: string, row: GlanceWay | null, now: Date): Own | null {
	const frozen = look.freeze.find((f) => f.becomes === slug);
	if (frozen) return frozen.way.kind === 'way' ? freezePanel(look, frozen, frozen.way) : null;
	if (slug === 'dry') return look.dry.kind === 'way' && row ? dryPanel(look, look.dry, row, now.getTime()) : null;
	const can = look.cans.find((c) => canSlug(c.id) === slug);
	return can ? canPanel(look, can, row, now) : null;
}

/** Each share with what comes of it. */
const sharesOf = (look: Look, all: readonly Named[], now: Date): WaysView['shares'] =>
	look.shares.map(({ way, grams }) => {
		const part = lookAtPart(look, grams, now);
		const row = named(part).find((n) => n.slug === way)?.row;
		const can = part.cans.find((c) => canSlug(c.id) === way);
		return {
			way,
			grams,
			name:
				all.find((n) => n.slug === way)?.name ??
				can?.way.product.name ??
				(isApart(way) ? apartNames[way] : 'another way'),
			gets: row?.kind === 'way' ? getsOf(row, can ? can.way.jar : null) : ''
		};
	});

function lotOf(look: Look, now: Date): WaysView['lot'] {
	const { lot, thing, clock, place } = look;
	return {
		id: lot.id,
		name: lot.title,
		food: thing.food.id,
		foodName: thing.food.name,
		form: partWords(lot.madeOf) || formWords(thing.food, lot.form).replace(/^, /, ''),
		said: lot.said,
		place: place.name,
		bestBy: clock.bestBy,
		soon: clock.bestBy - now.getTime() < 36 * 3_600_000,
		past: thing.age?.past ?? 'no',
		free_g: look.free_g,
		pan: look.free_g > 0 && !look.stop && cookedDown(look.thing).length > 0,
		sets: look.free_g > 0 && !look.stop && ratiosOf(look.thing).length > 0,
		ferments: look.free_g > 0 && !look.stop && fermentRowOf(look.thing) !== undefined,
		seals: look.free_g > 0 && !look.stop && sealedAsIs(look.thing),
		stores: look.free_g > 0 && !look.stop && storable(look.thing),
		cuts: look.free_g > 0 && !look.stop && cutUp(look.thing) !== undefined,
		whole_g: look.whole_g
	};
}

type Basket = Awaited<ReturnType<Stores['stock']['basket']>>;

/** The lots before and after it, by what turns first. */
function neighbours(basket: Basket, lotId: string, now: Date): Pick<WaysView, 'before' | 'after'> {
	const order = basket
		.map(({ lot, place }) => ({ id: lot.id, name: lot.title, bestBy: lotThing(lot, place, now).clock.bestBy }))
		.sort((a, b) => a.bestBy - b.bestBy);
	const at = order.findIndex((o) => o.id === lotId);
	const one = (i: number) => {
		const other = order[i];
		return other ? { id: other.id, name: other.name } : null;
	};
	return { before: at > 0 ? one(at - 1) : null, after: at >= 0 ? one(at + 1) : null };
}
