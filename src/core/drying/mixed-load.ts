import type { DryingRow } from '../../reference/other-ways';
import { dryingModel } from '../../reference/model-rules';
import type { FoodRow } from '../../reference/tables';
import { mustBeWithin } from '../errors';
import { cFromF } from '../quantities/units';
import { isMeat } from '../safety/dry';
import { refuse } from '../safety/refuse';
import { odourOf } from './dry-look-up';

export interface DryerItem {
	readonly food: FoodRow;
	readonly row: DryingRow;
	/** Trays it takes, 1 or more. */
	readonly trays: number;
	/** Forecast: middle and where nine of ten end, h. */
	readonly hours: number;
	readonly interval_h: readonly [number, number];
}
export interface Dryer {
	/** 1 to 60. */
	readonly trays: number;
	/** Where its warm air comes from: that tray dries first. */
	readonly heater: 'bottom' | 'top' | 'back';
}
export interface DryerPlace {
	readonly item: DryerItem;
	/** Numbered from the bottom, 1 the lowest; at a heater in the back all are alike and go by reach. */
	readonly trays: readonly number[];
	/** When to look first, and when it is off for nine of ten. h. */
	readonly pull_h: readonly [number, number];
	readonly endsTheRun: boolean;
}
export interface DryerRun {
	readonly air_C: number;
	readonly places: readonly DryerPlace[];
	readonly ends_h: readonly [number, number];
	readonly freeTrays: number;
}
export interface Apart {
	readonly foods: readonly [string, string];
	readonly reason: string;
	/** Someone can fall ill: not a matter of taste. */
	readonly safety: boolean;
}
export interface MixedLoad {
	readonly runs: readonly DryerRun[];
	readonly apart: readonly Apart[];
	readonly words: readonly string[];
}

/** Kinds of smell that fruit takes up; mild vegetables it does not. */
const notWithFruit: readonly string[] = ['cabbage', 'mushroom'];

const rangeOf = (row: DryingRow) => [cFromF(row.F[0]), cFromF(row.F[1])] as const;

/**
 * Why two foods do not share a dryer; undefined where they may.
 *
 * Raw meat with anything else is a refusal of the safety module; strong smells and temperatures are the trade's.
 */
export function apart(a: DryerItem, b: DryerItem): Apart | undefined {
	const foods = [a.food.name, b.food.name] as const;
	if (isMeat(a.food) !== isMeat(b.food) || (isMeat(a.food) && a.food.id !== b.food.id)) {
		return {
			foods,
			reason: refuse(isMeat(a.food) && isMeat(b.food) ? 'meat-with-meat' : 'meat-with-herbs', {
				food: isMeat(a.food) ? a.food : b.food
			}).reason,
			safety: true
		};
	}
	const [x, y] = [rangeOf(a.row), rangeOf(b.row)];
	if (Math.min(x[1], y[1]) < Math.max(x[0], y[0]) - 0.1)
		return {
			foods,
			reason: `They want different air: ${x.map(Math.round).join(' to ')} °C and ${y.map(Math.round).join(' to ')} °C.`,
			safety: false
		};
	const [m, n] = [odourOf(a.food), odourOf(b.food)];
	if (m?.id === n?.id) return undefined;
	for (const [odour, other] of [[m, b], [n, a]] as const) {
		if (odour?.alone) return { foods, reason: odour.words, safety: false };
		if (odour && notWithFruit.includes(odour.id) && other.food.group === 'fruit') return { foods, reason: odour.words, safety: false };
	} // prettier-ignore
	return undefined;
}

/**
 * Who shares a dryer with whom, on which trays, when each comes off, and which sets the end.
 *
 * The longest goes first; each joins the first run where it is apart from none and has trays. Within a run the longest lies
 * nearest the heater. An item too large for a run goes on in the next.
 *
 * @throws {DomainError} OUT_OF_RANGE
 * @source common practice; raw meat apart by the safety module
 */
export function mixedLoad(items: readonly DryerItem[], dryer: Dryer): MixedLoad {
	mustBeWithin(dryer.trays, 1, 60, 'trays');
	for (const item of items) mustBeWithin(item.trays, 1, 100_000, 'item.trays');
	const runs: { items: { item: DryerItem; trays: number }[]; free: number }[] = [];
	const pairs = items.flatMap((a, i) => items.slice(i + 1).flatMap((b) => apart(a, b) ?? []));
	for (const item of [...items].sort((a, b) => b.hours - a.hours)) {
		let left = item.trays;
		for (const run of runs) {
			if (left === 0) break;
			if (run.free === 0 || run.items.some((other) => apart(other.item, item))) continue;
			const taken = Math.min(run.free, left);
			run.items.push({ item, trays: taken });
			run.free -= taken;
			left -= taken;
		}
		while (left > 0) {
			const taken = Math.min(dryer.trays, left);
			runs.push({ items: [{ item, trays: taken }], free: dryer.trays - taken });
			left -= taken;
		}
	}
	return { runs: runs.map((run) => placed(run, dryer)), apart: pairs, words: wordsOf(dryer) };
}

function placed(run: { items: { item: DryerItem; trays: number }[]; free: number }, dryer: Dryer): DryerRun {
	const order = [...run.items].sort((a, b) => b.item.hours - a.item.hours);
	// The warmest that all of them stand.
	const air_C = Math.min(...order.map(({ item }) => rangeOf(item.row)[1]));
	let next = 1;
	const places = order.map(({ item, trays }, i): DryerPlace => {
		const numbers = Array.from({ length: trays }, (_, k) =>
			dryer.heater === 'top' ? dryer.trays + 1 - next - k : next + k
		);
		next += trays;
		return { item, trays: numbers, pull_h: item.interval_h, endsTheRun: i === 0 };
	});
	const last = order[0]?.item;
	return { air_C, places, ends_h: last?.interval_h ?? [0, 0], freeTrays: run.free };
}

const wordsOf = (dryer: Dryer): string[] => [
	dryer.heater === 'back'
		? 'Air comes from the back: turn each tray round half way.'
		: `Air comes from the ${dryer.heater}: what takes longest lies nearest it; swap and turn the trays half way.`,
	'Take off what is done, and what is done on a tray before the rest.',
	`More than about ${dryingModel.trayLoad_kg_m2.value} kg to the square metre lies over itself and dries unevenly.`
];
