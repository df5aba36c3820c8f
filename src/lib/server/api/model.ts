import { json } from '@sveltejs/kit';
import type { RequestHandler } from '@sveltejs/kit';
import { DomainError, type Refusal } from '$core/errors';
import { sources, type SourceId } from '$reference/sources';
import type { Confidence } from '$reference/row';
import { open, parseQuery, refusedAnswer } from './answer';
import { schemaOf, type Asks, type Query } from './asks';

/** Whose word a model's answer is. */
export interface Word {
	readonly model: string;
	readonly source: string;
	readonly confidence: Confidence;
}
export const word = (model: string, source: SourceId, confidence: Confidence = 'from memory'): Word => ({
	model,
	source: sources[source].title,
	confidence
});

/** Five figures are more than a kitchen has; what never ends is null. */
export function tidy(value: unknown): unknown {
	if (typeof value === 'number') return Number.isFinite(value) ? Number(value.toPrecision(5)) : null;
	if (Array.isArray(value)) return value.map(tidy);
	if (value !== null && typeof value === 'object')
		return Object.fromEntries(Object.entries(value).map(([name, part]) => [name, tidy(part)]));
	return value;
}

/**
 * An endpoint of a model: checks the query, works, answers. 200; 400 malformed, every fault named; 404 unknown food; 422 refused:
 * by the safety module, or because what is asked for never happens.
 *
 * @param never what to do instead, where a driving force is missing
 */
export const model = <T extends Asks>(
	asks: T,
	never: Pick<Refusal, 'instead'> & { readonly source: SourceId },
	work: (query: Query<T>) => object
): RequestHandler => {
	const schema = schemaOf(asks);
	return ({ url }) =>
		open(() => {
			const query = parseQuery(schema, url);
			try {
				const answer = work(query);
				if ('kind' in answer && answer.kind === 'refused') return refusedAnswer(answer as Refusal);
				return json(tidy(answer));
			} catch (thrown) {
				if (!(thrown instanceof DomainError) || thrown.code !== 'NO_DRIVING_FORCE') throw thrown;
				return refusedAnswer({
					kind: 'refused',
					reason: thrown.message,
					source: sources[never.source].title,
					instead: never.instead
				});
			}
		});
};
