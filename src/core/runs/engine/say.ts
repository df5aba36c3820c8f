import { sayCount, sayWeight, type Units } from '../../quantities/format';
import type { CommonEvent } from './event';

/**
 * A tap that every kind knows, in a few words.
 *
 * @param food "Apples, " where a run has several; empty otherwise
 * @param pack what it is put into: pack, jar
 */
export function sayCommon(event: CommonEvent, units: Units, food = '', pack = 'pack'): string {
	switch (event.type) {
		case 'weigh':
			return `${food}weighed ${sayWeight(event.grams, units)}`;
		case 'hold':
			return event.on ? 'on hold' : 'going on';
		case 'note':
			return 'a note';
		case 'pack':
			return `${food}${sayCount(event.packs, pack)}`;
		case 'by-product':
			return `${sayWeight(event.grams, units)} into the Basket`;
		case 'again':
			return 'what you would change';
		case 'finish':
			return 'closed';
		case 'stop':
			return 'stopped';
		case 'undo':
			return 'taken back';
	}
}
