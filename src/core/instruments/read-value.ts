import { convert } from 'convert';
import { quantities, type Quantity } from './reading';

/** Units that an instrument may speak, by quantity. An instrument that says another is misread by somebody: refused. */
const units = {
	mass: { g: 'g', kg: 'kg', oz: 'oz', lb: 'lb' },
	temperature: { C: 'C', '°C': 'C', F: 'F', '°F': 'F' },
	'gauge-pressure': { Pa: 'Pa', kPa: 'kPa', hPa: 'hPa', psi: 'psi', bar: 'bar' }
} as const satisfies Record<Quantity, Record<string, string>>;
const held = { mass: 'g', temperature: 'C', 'gauge-pressure': 'Pa' } as const;

/** What a kitchen's instrument can show at all: beyond it something is broken. g, °C, Pa. */
export const plausible: Readonly<Record<Quantity, readonly [number, number]>> = {
	mass: [-50_000, 500_000],
	temperature: [-60, 300],
	'gauge-pressure': [-20_000, 300_000]
};

export type ReadAs = { readonly kind: 'read'; readonly value: number } | { readonly kind: 'bad'; readonly why: string };

/**
 * A value in the instrument's unit as it is held.
 *
 * @returns the value in g, °C or Pa; or why it is none: an unknown unit, one of another quantity, or what cannot be
 */
export function readValue(quantity: Quantity, value: number, unit: string): ReadAs {
	const known: Record<string, string> = units[quantity];
	if (!Object.hasOwn(known, unit)) {
		const other = quantities.find((q) => Object.hasOwn(units[q], unit));
		return {
			kind: 'bad',
			why: other
				? `${unit} is a unit of ${words[other]}, and this measures ${words[quantity]}.`
				: `${unit} is no unit that is known here.`
		};
	}
	const result = Number(convert(value, known[unit] as 'g').to(held[quantity] as 'g'));
	const [low, high] = plausible[quantity];
	if (!(result >= low && result <= high))
		return { kind: 'bad', why: `${value} ${unit} cannot be: the instrument is broken.` };
	return { kind: 'read', value: result };
}

const words: Record<Quantity, string> = { mass: 'weight', temperature: 'warmth', 'gauge-pressure': 'pressure' };
