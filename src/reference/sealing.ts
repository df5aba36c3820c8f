import type { Row } from './row';
import type { Range } from './tables';

const practice = { source: 'practice', confidence: 'practice' } as const;

/** Numbers of closing in without air. None of them is a matter of safety: those stand in `meatRules`. */
export const sealRules = {
	fill_s: { value: 40, unit: 's', at: 'a bag filled, its mouth wiped', ...practice },
	draw_s: { value: 50, unit: 's', at: 'a bag drawn and sealed; twenty to forty an hour with the filling', ...practice },
	setUp_s: { value: 900, unit: 's', at: 'bags cut, cuffed and labelled, the bar wiped', ...practice },
	atTable_s: { value: 1200, unit: 's', at: 'meat brought to the table at once: 20 to 30 minutes of work, the lower end', ...practice },
	headspaceJar_m: { value: 0.0254, unit: 'm', at: 'dry food in a jar without air: 1 in', ...practice }
} as const satisfies Record<string, Row>; // prettier-ignore

/** Vegetables that are sealed raw, once they are frozen on a tray (NCHFP, from memory; common practice). */
export const sealedRaw: ReadonlySet<string> = new Set([
	'bell-peppers',
	'chile-peppers',
	'onions',
	'tomatoes',
	'rhubarb'
]);

/** Hours in the freezer before it is sealed, so that nothing runs into the seal (common practice). */
export const frozenFirst_h: Readonly<Record<'liquid' | 'pieces' | 'meat', Range>> = {
	liquid: [8, 14],
	pieces: [1, 3],
	meat: [0.5, 1]
};
