import { sayCount, sayLength, sayVolume, sayWeight, type Units } from '../quantities/format';
import { burners, taskWords } from './equipment-fields';
import type { Equipment, Task } from './equipment';

const joined = (...parts: (string | null | false)[]): string => parts.filter((p) => p !== null && p !== false && p !== '').join(' · '); // prettier-ignore
const gauges = { weighted: 'weighted gauge', dial: 'dial gauge', none: 'for boiling water' } as const;

const sayArea = (m2: number, units: Units): string =>
	units === 'us' ? `${Math.round(m2 / 0.0254 ** 2)} sq in` : `${Math.round(m2 * 10_000)} cm²`;

/** What a machine is, in a line. */
export function specWords(item: Equipment, units: Units): string {
	switch (item.kind) {
		case 'dryer':
			return joined(
				`${sayCount(item.spec.trays, 'tray')} of ${sayArea(item.spec.trayArea_m2, units)}`,
				`${item.spec.power_W} W`,
				{ bottom: 'heat from below', top: 'heat from above', back: 'heat from behind' }[item.spec.heater],
				item.spec.tare_kg !== null && `tray ${sayWeight(item.spec.tare_kg * 1000, units)}`
			);
		case 'canner':
			return joined(
				item.spec.gauge === null ? 'gauge not said yet' : gauges[item.spec.gauge],
				item.spec.stacked && 'two layers',
				item.spec.gauge === 'dial' && item.spec.dialTested !== null && `dial tested ${item.spec.dialTested}`
			);
		case 'freeze-dryer':
			return sayCount(item.spec.trays, 'tray');
		case 'sealer':
			return joined(
				item.spec.rolls_m.length > 0 && `rolls ${item.spec.rolls_m.map((w) => sayLength(w, units)).join(', ')}`,
				item.spec.chamber && 'chamber'
			);
		case 'mill':
		case 'grinder':
			return '';
		case 'moulds':
			return `${item.spec.hollows} × ${sayVolume(item.spec.each_mL / 1000, units)}`;
	}
}

/** A pot, in a line. */
export const potWords = (
	p: {
		readonly litres: number;
		readonly burnerW: number;
		readonly burnerKind: keyof typeof burners;
		readonly basketL: number | null;
		readonly diameterM: number | null;
		readonly heightM: number | null;
	},
	units: Units
): string =>
	joined(
		sayVolume(p.litres, units),
		p.diameterM !== null &&
			`${sayLength(p.diameterM, units)} across${p.heightM === null ? '' : `, ${sayLength(p.heightM, units)} high`}`,
		`${p.burnerW} W ${burners[p.burnerKind]}`,
		p.basketL !== null && `basket ${sayVolume(p.basketL, units)}`
	);

/** What a helper may do, in a line. */
export const mayWords = (may: readonly string[]): string =>
	may.length === 0 ? 'may do nothing yet' : `may ${may.map((m) => taskWords[m as Task]).join(', ')}`;

/** A pot's volume by its measures, L; null where one is missing. A straight wall. */
export const potVolumeByMeasure_L = (diameter_m: number | null, height_m: number | null): number | null =>
	diameter_m === null || height_m === null ? null : 250 * Math.PI * diameter_m ** 2 * height_m;
