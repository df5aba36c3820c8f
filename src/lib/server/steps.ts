import { sayThing } from '$core/stock/amount';
import type { MovementKind } from '$core/stock/fold';
import type { Units } from '$core/quantities/format';
import type { Stores } from './stores';

/** What was done, in a word. */
export const verbs: Readonly<Record<MovementKind, string>> = {
	put: 'put away',
	take: 'taken',
	spoil: 'spoiled',
	give: 'given away',
	move: 'moved',
	use: 'used',
	count: 'counted',
	open: 'opened',
	thaw: 'set to thaw',
	split: 'put apart',
	merge: 'put together'
};

export interface StepView {
	readonly groupId: string;
	readonly words: string;
	/** ms */
	readonly at: number;
	readonly by: string;
}

/** A step that can be taken back, as the pages show it. */
export const sayStep =
	(units: Units) =>
	({ groupId, kind, amount, lot, at, by }: Awaited<ReturnType<Stores['stock']['lastSteps']>>[number]): StepView => ({
		groupId,
		words: `${sayThing(lot, Math.abs(amount), lot.title, units)} ${verbs[kind]}`,
		at: at.getTime(),
		by
	});
