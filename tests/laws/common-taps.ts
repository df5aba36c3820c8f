import type { CommonState } from '../../src/core/runs/engine/fold';
import type { CommonEvent } from '../../src/core/runs/engine/event';
import type { RunEvent } from '../../src/core/runs/kinds';
import type { TapOf } from '../../src/core/runs/engine/kind';
import type { Random } from './random';

/** Where the taps of a history may lead. */
export interface Where {
	readonly placeIds: readonly string[];
	readonly containerIds: readonly (string | null)[];
	readonly form?: (food: string) => string | undefined;
}

/** A food of the plan as the taps that every kind knows want it. */
export interface TappedFood {
	readonly mark: { readonly subject?: number };
	readonly food: string;
	readonly form: string;
	readonly portion_g: number;
	readonly load_g: number;
}

/** With how much of chance each of them comes; what is left is the kind's own. */
const shares = {
	undo: 0.08,
	finish: 0.15,
	stop: 0.19,
	byProduct: 0.23,
	again: 0.26,
	pack: 0.42,
	weigh: 0.47,
	note: 0.49
} as const;

/** A tap that every kind knows, mostly a slip; undefined where the kind's own turn it is. */
export function commonTap(
	{ next, below, pick }: Random,
	state: Pick<CommonState<unknown>, 'ends'>,
	shown: readonly RunEvent[],
	one: TappedFood,
	where: Where
): TapOf<CommonEvent> | undefined {
	// Opened again after a mistake: every end that is seen is taken back.
	const [end] = state.ends;
	if (end !== undefined && next() < 0.35) return { type: 'undo', target: end };
	const what = next();
	if (what < shares.undo) return shown.length > 0 ? { type: 'undo', target: pick(shown).id } : undefined;
	if (what < shares.finish) return { type: 'finish' };
	if (what < shares.stop) return { type: 'stop', reason: 'called away' };
	if (what < shares.byProduct)
		return where.placeIds.length === 0
			? undefined
			: {
					type: 'by-product',
					...one.mark,
					food: one.food,
					form: where.form?.(one.food) ?? one.form,
					grams: 20 + below(200),
					placeId: pick(where.placeIds)
				};
	if (what < shares.again)
		return { type: 'again', would: pick(['yes', 'changed', 'no'] as const), change: pick(['', 'earlier']) };
	if (what < shares.pack) {
		const pack_g = pick([one.portion_g, one.portion_g, Math.max(1, Math.round(one.portion_g / 2))]);
		return {
			type: 'pack',
			...one.mark,
			packs: 1 + below(4),
			pack_g,
			containerId: pick(where.containerIds),
			placeId: pick(where.placeIds)
		};
	}
	if (what < shares.weigh)
		return { type: 'weigh', ...one.mark, grams: Math.max(1, Math.round(one.load_g * (0.6 + next() * 0.6))) };
	if (what < shares.note) return { type: 'note', text: `note ${below(100)}` };
	return undefined;
}
