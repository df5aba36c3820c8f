import { describe, expect, it } from 'vitest';
import { foldStock, reverseOf, type Movement } from './fold';

const m = (id: string, amount: number, more: Partial<Movement> = {}): Movement => ({
	id,
	kind: amount > 0 ? 'put' : 'take',
	amount,
	reverses: null,
	...more
});

describe('the stock', () => {
	it('is the sum of its movements', () => expect(foldStock([m('a', 12), m('b', -1), m('c', -3)])).toBe(8));
	it('comes back to what it was with an undo', () => {
		const take = m('b', -5);
		expect(foldStock([m('a', 12), take, reverseOf(take, 'c')])).toBe(12);
	});
	it('cannot fall below nothing', () => expect(() => foldStock([m('a', 2), m('b', -3)])).toThrow(/More was taken/));
	it('does not undo an undo', () => expect(() => reverseOf(reverseOf(m('a', -1), 'b'), 'c')).toThrow(/not undone/));
});
