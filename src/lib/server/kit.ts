import { dateIn } from '$core/freezing/keep';
import { sayDate } from '$core/quantities/dates';
import { sayCount, sayDuration, sayWeight } from '$core/quantities/format';
import { kitPart, planKit, reachOf, type KitAsk } from '$core/runs/kinds/kit/make';
import type { KitPlan } from '$core/runs/kinds/kit/plan';
import { AppError } from './errors';
import type { Stores } from './stores';
import { readLot } from './ways/read';

/** What was typed for a kit. */
export interface KitTyped {
	readonly name: string;
	/** How many; none: as many as there is enough for. */
	readonly count?: number | undefined;
	readonly container?: string | undefined;
	readonly use: string;
	/** Lots, each with what one pack gets of it, g. */
	readonly parts: readonly { readonly lotId: string; readonly each_g: number | undefined }[];
}

export interface KitRow {
	readonly lotId: string;
	readonly title: string;
	readonly amount: string;
	readonly ticked: boolean;
	readonly each_g: number | null;
	/** How far it reaches, what is left of it, what is short. */
	readonly words: string;
	readonly short: boolean;
	readonly stop: string;
	readonly instead: readonly string[];
}

export interface KitView {
	readonly rows: readonly KitRow[];
	readonly containers: readonly { readonly id: string; readonly name: string }[];
	readonly most: number;
	readonly sum: null | {
		readonly count: number;
		readonly packs: string;
		readonly each: string;
		readonly lines: readonly (readonly [string, string])[];
		readonly use: string;
		readonly cautions: readonly string[];
		readonly source: string;
	};
	readonly stop: string;
}

const usualEach_g = 100;

/**
 * A kit of several lots: how far each part reaches, what runs short, how the mixture keeps; and the plan of its run.
 *
 * @throws {AppError} 400 no such container; 404
 */
export async function kitFor(
	stores: Stores,
	typed: KitTyped,
	now: Date
): Promise<{ view: KitView; plan: KitPlan | null }> {
	const [basket, kitchen] = await Promise.all([stores.stock.basket(), stores.home.kitchen()]);
	const units = kitchen.units;
	const container = typed.container ? kitchen.containers.find((c) => c.id === typed.container) : undefined;
	if (typed.container && !container)
		throw new AppError(400, 'BAD_INPUT', 'There is no such container in the drawer. Nothing was started.', [
			{ field: 'container', message: 'Choose one of the list.' }
		]);
	const asks: (KitAsk & { share: number })[] = [];
	const rows: KitRow[] = [];
	for (const { lot } of basket) {
		const part = typed.parts.find((p) => p.lotId === lot.id);
		const base = {
			lotId: lot.id,
			title: lot.title,
			ticked: part !== undefined,
			each_g: part?.each_g ?? null,
			words: '',
			short: false,
			instead: []
		};
		const read = await readLot(stores, lot.id, now);
		const amount = sayWeight(read.free_g, units);
		const each_g = part?.each_g ?? usualEach_g;
		const keepsUntil = lot.keepsUntil ?? dateIn(kitchen.zone, Math.min(read.clock.bestBy, now.getTime() + 3.2e11));
		const ask = { lotId: lot.id, thing: read.thing, called: lot.title, free_g: read.free_g, each_g, keepsUntil };
		const may = read.free_g === 0 ? undefined : kitPart(ask, kitchen, now.getTime());
		if (!may || may.kind === 'refused') {
			rows.push({
				...base,
				amount,
				ticked: false,
				stop: may?.reason ?? 'All of it is at the stove.',
				instead: part ? (may?.instead ?? []) : []
			});
			continue;
		}
		if (part) asks.push({ ...ask, share: may.share });
		rows.push({ ...base, each_g: part ? each_g : null, amount, stop: '' });
	}
	const missing = typed.parts.filter((p) => !rows.some((r) => r.lotId === p.lotId && r.ticked));
	const { most, count, parts } = reachOf(asks, typed.count ?? null);
	const told = rows.map((row) => {
		const reach = parts.find((p) => p.lotId === row.lotId);
		if (!reach) return row;
		const words =
			reach.short_g > 0
				? `${sayWeight(reach.short_g, units)} short: enough for ${reach.enough}`
				: `enough for ${reach.enough}${reach.left_g >= 5 ? `, ${sayWeight(reach.left_g, units)} left over` : ''}`;
		return { ...row, words, short: reach.short_g > 0 };
	});
	const view = {
		rows: told,
		containers: kitchen.containers.map(({ id, name }) => ({ id, name })),
		most,
		sum: null,
		stop: ''
	};
	const stop = stopOf(asks, missing.length, count, most);
	if (stop !== undefined) return { view: { ...view, stop }, plan: null };
	const plan = planKit(
		{ name: typed.name || 'Kit', asks, count, container: container ?? null, use: typed.use },
		kitchen,
		now.getTime()
	);
	if (plan.kind === 'refused') return { view: { ...view, stop: plan.reason }, plan: null };
	const [kit] = plan.subjects;
	return {
		plan,
		view: {
			...view,
			sum: {
				count,
				packs: `${count}`,
				each: `${count === 1 ? 'pack' : 'packs'} of ${sayWeight(kit.portion_g, units)}`,
				lines: [
					['stands', kit.place === 'pantry' ? 'dry and dark, closed' : 'in the freezer'],
					['by label until', `${sayDate(kit.until)}: ${kit.weakest} first`],
					['your hands', sayDuration(kit.expected.hands_s)],
					['in all', `${sayWeight(kit.load_g, units)} of ${sayCount(asks.length, 'lot')}`]
				],
				use: kit.use,
				cautions: kit.cautions,
				source: kit.source
			}
		}
	};
}

/** Why it cannot begin yet; undefined where it can. */
function stopOf(asks: readonly KitAsk[], missing: number, count: number, most: number): string | undefined {
	if (missing > 0) return 'One of them cannot go in; what to do instead stands beside it.';
	if (asks.length === 0) return '';
	if (asks.length === 1) return 'Tick at least two: a pack of one food goes its own way.';
	if (most === 0) return 'There is not enough of one of them for a single pack: less to a pack, or more of it.';
	if (count > most) return `There is enough for ${most} of these.`;
	return undefined;
}
