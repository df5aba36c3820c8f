import { and, eq, inArray } from 'drizzle-orm';
import { isDeepStrictEqual } from 'node:util';
import { foldRun, kindOf, planOf, type RunEvent } from '$core/runs/kinds';
import { afterTheEnd, commonFields } from '$core/runs/engine/event';
import { foodById } from '$core/things/names';
import type { Refused, RunView, TapAnswer } from '$core/runs/wire';
import { transact, type Database, type Tx } from '../../db/client';
import { container, place, run, runEvent } from '../../db/schema';
import { AppError, notFound } from '../../errors';
import type { HouseholdRow } from '../households';
import { tell } from '../../live';
import { eventsOf, viewsOf, type RunRow } from './read';
import { settle } from './settle';

/** The run after its taps, and what is to be said of them. */
export type Appended = RunView & TapAnswer;

/** A slow network delays a message by less than this (its sender gives up before); more is a clock that is wrong. */
const differ_ms = 15_000;
/** Nobody's run has taps of the day before: so far may a server have stood ahead when it began. */
const before_ms = 86_400_000;
/** An evening has a few hundred taps. An end, what was packed and what is taken back are kept whatever came before. */
const mostEvents = 3_000;
const keptAlways = new Set(['finish', 'stop', 'undo', ...afterTheEnd.filter((type) => type !== 'note')]);

/** Taps that say something that cannot be, whoever says it. */
const unfit = new Set(['NOT_A_FREEZER', 'NOT_THERE']);
const notFrozen = (place: string) =>
	['NOT_A_FREEZER', `${place} is no freezer: frozen packs stay at −18 °C or below. Choose a freezer; the packs were not booked.`] as const; // prettier-ignore
const notWarm = (place: string) =>
	['NOT_THERE', `${place} is no place for a ferment: a crock, a counter or a cool room, out of the light. The jars were not booked.`] as const; // prettier-ignore
const notThere = (place: string) =>
	['NOT_THERE', `${place} is no place for it: dark, dry and closed, a pantry or a cool room. The packs were not booked.`] as const; // prettier-ignore

/**
 * When a tap was made, by the server's clock: shifted by what the device's clock differs at the sending, never later than
 * now, nor more than a day before the run.
 *
 * @param at as the device said, ms
 * @param sent the device's own time at the sending, ms, where it told it
 * @param startedAt of the run, ms
 */
export function correctedTime(at: number, sent: number | undefined, now: number, startedAt: number): number {
	const skew = sent === undefined ? 0 : now - sent;
	const time = Math.abs(skew) > differ_ms ? at + skew : at;
	return Math.round(Math.min(Math.max(time, startedAt - before_ms), now));
}

/**
 * Appends taps and brings the book to what they now say, in one transaction. A tap that came before is passed over; one
 * that cannot count is kept, and the reason given back; one that cannot be kept is told and stands in nobody's way.
 * Nothing is refused for its time.
 *
 * @throws {AppError} 404 no such run; 409, 422 where not one of the taps can be kept
 */
export function append(
	db: Database,
	home: HouseholdRow,
	id: string,
	events: readonly RunEvent[],
	at: { now: Date; by: string; sent?: number }
): Promise<Appended> {
	return transact(db, async (tx) => {
		const [row] = await tx
			.select()
			.from(run)
			.where(and(eq(run.householdId, home.id), eq(run.id, id)))
			.for('update');
		if (!row) throw notFound('run');
		const kept = async () => (await eventsOf(tx, home.id, [id])).get(id)?.events ?? [];
		const before = await kept();
		const { fresh, refused } = await sift(tx, home.id, row, events, before.length);
		const [first] = refused;
		if (first && refused.length === events.length)
			throw new AppError(first.code === 'NOT_FOUND' ? 404 : unfit.has(first.code) ? 422 : 409, first.code, first.why, [
				{ field: 'events', message: first.why }
			]);
		if (fresh.length > 0) {
			const values = fresh.map((event) => ({
				id: event.id,
				householdId: home.id,
				runId: id,
				event,
				by: at.by,
				device: event.device ?? 'before',
				n: event.n ?? event.at,
				at: new Date(event.at),
				correctedAt: new Date(correctedTime(event.at, at.sent, at.now.getTime(), row.startedAt.getTime())),
				recordedAt: at.now
			}));
			const inserted = await tx.insert(runEvent).values(values).onConflictDoNothing().returning({ id: runEvent.id });
			// Another run was given a tap of this id in the same moment.
			for (const event of fresh)
				if (!inserted.some((k) => k.id === event.id))
					refused.push({
						id: event.id,
						code: 'KEY_REUSED',
						why: 'A tap with this id belongs to another run. It was not kept.'
					});
		}
		const seen = fresh.length > 0 ? await kept() : before;
		const state = foldRun(planOf(row.plan), row.startedAt.getTime(), seen);
		if (fresh.length > 0) await tell(tx, home.id, 'taps');
		const told = fresh.length > 0 ? await settle(tx, home, row, state, at) : [];
		const [after] = await tx.select().from(run).where(eq(run.id, id));
		const [view] = await viewsOf(tx, home.id, [after ?? row]);
		if (!view) throw notFound('run');
		return { ...view, ignored: state.ignored, refused, told };
	});
}

/** Taps that are new and can be kept, and those that cannot with the reason; what came before is passed over. */
async function sift(tx: Tx, householdId: string, row: RunRow, events: readonly RunEvent[], have: number) {
	const plan = planOf(row.plan);
	const kind = kindOf(plan);
	const outputs = kind.outputs(plan).map((o) => o.n);
	const ids = events.map((e) => e.id);
	const known = await tx
		.select({ id: runEvent.id, runId: runEvent.runId, event: runEvent.event })
		.from(runEvent)
		.where(and(eq(runEvent.householdId, householdId), inArray(runEvent.id, ids)));
	const places = await tx
		.select({ id: place.id, kind: place.kind, name: place.name })
		.from(place)
		.where(eq(place.householdId, householdId));
	const containers = await tx
		.select({ id: container.id, volume_mL: container.volumeMl })
		.from(container)
		.where(eq(container.householdId, householdId));
	const fresh = new Map<string, RunEvent>();
	const refused: Refused[] = [];
	const refuse = (event: RunEvent, code: string, why: string) => refused.push({ id: event.id, code, why });
	for (const event of events) {
		const before = fresh.get(event.id) ?? known.find((k) => k.id === event.id && k.runId === row.id)?.event;
		if (before) {
			if (!isDeepStrictEqual(before, event))
				refuse(
					event,
					'KEY_REUSED',
					'A tap with this id was kept before, and it said something else. This one was not kept.'
				);
			continue;
		}
		if (known.some((k) => k.id === event.id)) {
			refuse(event, 'KEY_REUSED', 'A tap with this id belongs to another run. It was not kept.');
			continue;
		}
		if (have + fresh.size >= mostEvents && !keptAlways.has(event.type)) {
			refuse(event, 'TOO_MANY', `This run has ${mostEvents} taps already: finish or stop it. The tap was not kept.`);
			continue;
		}
		if (!(event.type in commonFields) && !(event.type in kind.fields)) {
			refuse(event, 'NOT_FOUND', 'This is no step of such a run. The tap was not kept.');
			continue;
		}
		const held = event.type === 'pack' ? containers.find((c) => c.id === event.containerId)?.volume_mL : undefined;
		const surprise = event.sure ? undefined : kind.surprise(plan, event, undefined, held);
		if (surprise !== undefined) {
			refuse(event, 'SURPRISE', `${surprise} It was not kept; say again that it is.`);
			continue;
		}
		if ('subject' in event && event.subject !== undefined && !outputs.includes(event.subject)) {
			refuse(event, 'NOT_FOUND', 'There is no such food in this run. The tap was not kept.');
			continue;
		}
		if (event.type === 'part' || event.type === 'stored' || event.type === 'set-aside') {
			const to = places.find((p) => p.id === event.placeId);
			if (!to) {
				refuse(event, 'NOT_FOUND', 'There is no such place. It was not booked.');
				continue;
			}
			if (!kind.placesFor(plan, 1).some((k) => k === to.kind)) {
				const why = event.type === 'part' ? 'is no place for raw meat: a fridge or a cool room' : 'keeps nothing alive';
				refuse(event, 'NOT_COLD', `${to.name} ${why}. It was not booked; into the freezer it goes by a way of freezing.`); // prettier-ignore
				continue;
			}
		}
		if (event.type === 'by-product') {
			const food = foodById(event.food);
			const known =
				kind.byproducts(plan).some((b) => b.food === event.food && b.form === event.form) ||
				food?.forms.some((f) => f.id === event.form);
			if (!places.some((p) => p.id === event.placeId) || !food || !known) {
				refuse(event, 'NOT_FOUND', 'There is no such place or food. It was not booked.');
				continue;
			}
		}
		if (event.type === 'pack' && kind.packsNothing) {
			refuse(event, 'NOT_FOUND', 'Nothing is packed in such a run: its parts go on from the Basket. The packs were not booked.'); // prettier-ignore
			continue;
		}
		if (event.type === 'pack') {
			const to = places.find((p) => p.id === event.placeId);
			if (!to || (event.containerId && !containers.some((c) => c.id === event.containerId))) {
				refuse(
					event,
					'NOT_FOUND',
					`There is no such ${to ? 'container' : 'place'} in this household. The packs were not booked.`
				);
				continue;
			}
			const may = kind.placesFor(plan, event.subject ?? 1);
			if (!may.some((k) => k === to.kind)) {
				const [code, why] = may.includes('crock') ? notWarm(to.name) : may.includes('pantry') ? notThere(to.name) : notFrozen(to.name); // prettier-ignore
				refuse(event, code, why);
				continue;
			}
		}
		fresh.set(event.id, event);
	}
	return { fresh: [...fresh.values()], refused };
}
