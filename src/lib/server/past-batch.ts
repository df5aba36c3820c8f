import { gramsOf } from '$core/stock/amount';
import { AppError } from './errors';
import type { PastBatch } from './stores/batches';
import type { Standing } from './stores/stock/put';

/** What went into a batch of before, as it was said. */
export interface WentIn {
	readonly raw_g: number;
	readonly hands_s: number;
	readonly paidMinor: number | null;
	readonly currency: string;
}

/**
 * A batch of before for the book, from what came of it: packs alone are one.
 *
 * @throws {AppError} 400 NO_PACKS; 409 SURPRISE: far more came out than went in
 */
export function pastOf(standing: Standing, { raw_g, hands_s, paidMinor, currency }: WentIn): PastBatch {
	if (!standing.entry)
		throw new AppError(400, 'NO_PACKS', 'The Book keeps packs: say how many of how much, and how they were kept, such as "12 × 500 g green beans, frozen Aug 2025". Nothing was saved.', [
			{ field: 'text', message: 'Packs, and how they were kept.' }
		]); // prettier-ignore
	const packed_g = Math.round(gramsOf(standing.counted, standing.amount));
	if (raw_g > 0 && packed_g > raw_g * 4)
		throw new AppError(409, 'SURPRISE', 'Four times as much came out as went in: check the two. Nothing was saved.', [
			{ field: 'raw', message: 'Less than a quarter of what came out.' }
		]);
	return {
		food: standing.lot.food,
		form: standing.lot.form,
		title: standing.lot.title,
		...standing.entry,
		raw_g,
		packed_g,
		packs: standing.amount,
		hands_s,
		paidMinor,
		currency: paidMinor === null ? null : currency
	};
}
