import type { Haul, HaulLot, HaulWay, Limit } from './haul';

/** A seeded generator: the same seed, the same haul. */
export function seeded(seed: number): () => number {
	let s = seed >>> 0;
	return () => {
		s = (s + 0x6d2b79f5) >>> 0;
		let t = Math.imul(s ^ (s >>> 15), 1 | s);
		t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
		return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
	};
}

/** A made-up kitchen with a made-up haul: so many lots, ways a lot and days, everything scarce. */
export function randomHaul(seed: number, lots: number, ways: number, days: number): Haul {
	const rnd = seeded(seed);
	const between = (a: number, b: number) => a + rnd() * (b - a);
	const lotList: HaulLot[] = Array.from({ length: lots }, (_, i) => ({
		id: `l${i}`,
		name: `lot ${i}`,
		kg: Math.round(between(2, 25) * 10) / 10,
		lastDay: Math.min(days - 1, Math.floor(rnd() * (days + 1))),
		left_cost: rnd() < 0.7 ? between(0.2, 0.8) : 0
	}));
	const total = lotList.reduce((sum, l) => sum + l.kg, 0);
	const kinds = ['freeze', 'blanch', 'dry', 'can', 'canP', 'cook', 'cellar', 'fresh'] as const;
	const wayList = lotList.flatMap((lot) =>
		Array.from({ length: ways }, (_, j): HaulWay => {
			const kind = kinds[j % kinds.length] ?? 'fresh';
			const hands = between(0.04, 0.2);
			const worth = between(0.6, 1.4);
			const base = {
				id: `${lot.id}-${j}`,
				lot: lot.id,
				name: kind,
				whole: false,
				least_kg: 0.4,
				most_kg: lot.kg,
				worth,
				enough_kg: lot.kg * 0.5,
				worthMore: worth * between(0.7, 1),
				perPack: [],
				station: null,
				group: null
			};
			if (kind === 'fresh')
				return { ...base, pack_kg: 0.5, most_kg: Math.min(lot.kg, between(0.5, 2)), perKg: [], least_kg: 0.2 };
			if (kind === 'cellar')
				return {
					...base,
					pack_kg: 5,
					perKg: [
						{ limit: 'hands', amount: hands / 4 },
						{ limit: 'cellar', amount: 1 }
					]
				};
			if (kind === 'dry')
				return {
					...base,
					pack_kg: between(2, 4),
					perKg: [
						{ limit: 'hands', amount: hands },
						{ limit: 'dryer', amount: between(10, 40) }
					]
				};
			if (kind === 'can' || kind === 'canP')
				return {
					...base,
					pack_kg: between(0.7, 1.4),
					whole: true,
					group: kind,
					perKg: [{ limit: 'hands', amount: hands }],
					perPack: [{ limit: 'lids', amount: 1 }]
				};
			return {
				...base,
				pack_kg: between(0.3, 1),
				station: kind === 'freeze' ? null : kind === 'blanch' ? 'pot' : 'stove',
				perKg: [
					{ limit: 'hands', amount: hands },
					{ limit: 'freezing', amount: 0.85 },
					{ limit: 'room', amount: between(1.2, 1.8) },
					...(kind === 'blanch'
						? [
								{ limit: 'ice', amount: 1 },
								{ limit: 'pot', amount: 0.12 }
							]
						: kind === 'cook'
							? [{ limit: 'pot', amount: 0.2 }]
							: [])
				],
				perPack: [
					{ limit: 'bags', amount: 1 },
					{ limit: 'hands', amount: 0.014 }
				]
			};
		})
	);
	const daily = (id: string, unit: string, have: number): Limit => ({
		id,
		name: id,
		unit,
		kind: 'daily',
		have: Array.from({ length: days }, () => have)
	});
	const stock = (id: string, unit: string, have: number): Limit => ({ id, name: id, unit, kind: 'stock', have });
	return {
		days,
		lots: lotList,
		ways: wayList,
		limits: [
			daily('hands', 'h', (total * between(0.05, 0.12)) / days),
			daily('freezing', 'kg', (total * between(0.2, 0.4)) / days),
			stock('room', 'L', total * between(0.3, 0.6)),
			{ id: 'ice', name: 'ice', unit: 'kg', kind: 'carried', have: total * between(0.05, 0.1), adds: total * 0.03 },
			daily('pot', 'h', 5),
			daily('dryer', 'h', 9 * 24),
			daily('canner', 'h', 6),
			stock('lids', 'lids', Math.round(total * between(0.05, 0.2))),
			stock('bags', 'bags', Math.round(total * between(0.4, 0.9))),
			stock('cellar', 'kg', total * between(0.05, 0.2))
		],
		stations: [
			{
				id: 'pot',
				takes: [
					{ limit: 'pot', amount: 0.4 },
					{ limit: 'hands', amount: 0.3 }
				],
				cost: 0.2
			},
			{ id: 'stove', takes: [{ limit: 'hands', amount: 0.2 }], cost: 0.1 }
		],
		groups: [
			{
				id: 'can',
				packs: 7,
				takes: [
					{ limit: 'canner', amount: 1.5 },
					{ limit: 'hands', amount: 0.4 }
				],
				cost: 0.3
			},
			{
				id: 'canP',
				packs: 7,
				takes: [
					{ limit: 'canner', amount: 2.7 },
					{ limit: 'hands', amount: 0.5 }
				],
				cost: 0.5
			}
		],
		locks: []
	};
}
