/** A seeded generator: a history that fails is run again by its seed. */
export interface Random {
	next(): number;
	/** A whole number from 0 up to, not including. */
	below(most: number): number;
	pick<T>(list: readonly T[]): T;
	id(): string;
}

export function random(seed: number): Random {
	let s = (seed * 2654435761) >>> 0;
	const next = () => {
		s = (Math.imul(s ^ (s >>> 15), 0x2c1b3c6d) + 0x9e3779b9) >>> 0;
		return ((s ^ (s >>> 13)) >>> 0) / 2 ** 32;
	};
	const below = (most: number) => Math.floor(next() * most);
	const hex = (digits: number) => {
		let text = '';
		for (let i = 0; i < digits; i++) text += '0123456789abcdef'[below(16)];
		return text;
	};
	return {
		next,
		below,
		pick: <T>(list: readonly T[]): T => list[below(list.length)] as T,
		id: () => `${hex(8)}-${hex(4)}-4${hex(3)}-a${hex(3)}-${hex(12)}`
	};
}
