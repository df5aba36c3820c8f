import table from './breakdown.json';
import type { Provenance, Row } from './row';
import type { Range } from './tables';

/** Of what is weighed alive or in its skin, what hangs dressed, %. */
export interface DressingRow extends Provenance {
	readonly id: string;
	readonly name: string;
	readonly value: Range;
	/** The one to plan with. */
	readonly usual: number;
}

export type PartId = 'roasts' | 'steaks' | 'chops' | 'ham' | 'loin' | 'shoulder' | 'belly' | 'jowl' | 'ribs' | 'shanks' | 'whole' | 'pieces' | 'fillets' | 'stew' | 'mince' | 'offal' | 'hocks' | 'bones' | 'fat' | 'skin' | 'loss'; // prettier-ignore

/** How it is cut: shares of the cold carcass, %; their sum is 100. */
export interface CuttingRow extends Provenance {
	readonly id: string;
	readonly name: string;
	readonly shares: Readonly<Partial<Record<PartId, number>>>;
}

export interface SpeciesRow {
	readonly id: string;
	readonly name: string;
	/** Food of its cuts, and of its mince. */
	readonly food: string;
	readonly mince: string;
	/** Of its mince as it falls, %. */
	readonly lean: number;
	/** Lost in the first day or two in the cold, % of the hot carcass; and hanging, % a week. */
	readonly chill: number;
	readonly hang: number;
	readonly dressing: readonly DressingRow[];
	readonly options: readonly CuttingRow[];
}

export interface PartRow {
	readonly id: PartId;
	readonly name: string;
	/** Form of the food that it becomes; where all bones are out, the other. */
	readonly form: string;
	readonly boned: string;
	readonly of: 'meat' | 'mince' | 'none';
	readonly pack: string;
	/** Counted as meat for the table; bones, fat, skin are not. */
	readonly meat: boolean;
}

export interface MeatPackRow extends Provenance {
	readonly id: string;
	readonly pack_kg: Range;
	/** Raw, a person; null for what is no portion. */
	readonly portion_g: Range | null;
	/** Room in the freezer, stacked. */
	readonly L_kg: Range;
	/** Of a zip bag for the usual pack. */
	readonly bag_L: number;
	/** A bag off the roll for it: width and length, cm. */
	readonly vacuum_cm: Range;
	readonly style: string;
}

// JSON widens literals to strings; tables.test.ts and break-down.test.ts check every row.
export const {
	species,
	parts,
	packs: meatPacks
} = table as unknown as {
	readonly species: readonly SpeciesRow[];
	readonly parts: readonly PartRow[];
	readonly packs: readonly MeatPackRow[];
};

const memory = { confidence: 'from memory' } as const;
const practice = { source: 'practice', confidence: 'practice' } as const;
const lb_kg = 0.45359237;
const cubicFoot_L = 28.316846592;

/** Numbers of an animal on the table. */
export const meatRules = {
	roomLeast_L_kg: { value: cubicFoot_L / (40 * lb_kg), unit: 'L/kg', at: 'cut and wrapped, 40 lb to the cubic foot', source: 'extensionCarcass', ...memory },
	roomMost_L_kg: { value: cubicFoot_L / (35 * lb_kg), unit: 'L/kg', at: 'cut and wrapped, 35 lb to the cubic foot', source: 'extensionCarcass', ...memory },
	dayMost_kg_L: { value: (3 * lb_kg) / cubicFoot_L, unit: 'kg/L', at: '3 lb to the cubic foot in 24 h, the upper of the published 2 to 3', source: 'nchfpFreezing', ...memory },
	outOfCold_h: { value: 2, unit: 'h', at: 'out of the cold, all times together', source: 'fsis', ...memory },
	outOfColdHot_h: { value: 1, unit: 'h', at: 'above 90 °F (32 °C)', source: 'fsis', ...memory },
	hotRoom_C: { value: ((90 - 32) * 5) / 9, unit: '°C', at: '90 °F', source: 'fsis', ...memory },
	cutFirst_h_kg: { value: 0.15, unit: 'h/kg', at: 'cutting and boning, the first time: 12 to 18 hours to 100 kg', ...practice },
	cutPractised_h_kg: { value: 0.085, unit: 'h/kg', at: 'practised at home: 7 to 10 hours to 100 kg', ...practice },
	wrap_h_kg: { value: 0.0275, unit: 'h/kg', at: 'wrapping and labelling: 2 to 3.5 hours to 100 kg', ...practice },
	setUp_h: { value: 2, unit: 'h', at: 'setting up and cleaning, a session', ...practice },
	minceHand_kg_h: { value: 20, unit: 'kg/h', at: 'a mincer by hand, one pass', ...practice },
	mouth_m: { value: 3 * 0.0254, unit: 'm', at: 'to the length and the height of a piece, for the mouth of a bag off the roll: 3 in', ...practice },
	appetite_kg_day: { value: 0.15, unit: 'kg', at: 'meat a person a day, raw', ...practice }
} as const satisfies Record<string, Row>; // prettier-ignore

export const speciesById = (id: string): SpeciesRow | undefined => species.find((s) => s.id === id);
export const partById = (id: string): PartRow => {
	const row = parts.find((p) => p.id === id);
	if (!row) throw new Error(`There is no part "${id}".`);
	return row;
};
export const meatPackById = (id: string): MeatPackRow => {
	const row = meatPacks.find((p) => p.id === id);
	if (!row) throw new Error(`There is no pack "${id}".`);
	return row;
};
