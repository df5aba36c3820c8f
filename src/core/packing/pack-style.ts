import { freezingRules } from '../../reference/rules';
import type { CutRow, PackKind } from '../../reference/tables';
import { sayCount, sayLength, sayVolume, type Units } from '../quantities/format';
import { moulds } from './bags';

/** In which order a cut is portioned and frozen; steps, trays, headspace and hands follow from it. */
export const packStyles = ['tray', 'flat', 'wrap', 'mould', 'liquid'] as const;
export type PackStyleId = (typeof packStyles)[number];
export const packStyleNames: Readonly<Record<PackStyleId, string>> = {
	tray: 'on the tray, then bagged',
	flat: 'bagged, frozen flat',
	wrap: 'wrapped',
	mould: 'in moulds, then bagged',
	liquid: 'in boxes or jars'
};
/** The hollows of a kitchen's moulds. */
export interface OwnMoulds {
	readonly hollows: number;
	readonly each_mL: number;
}

/** Cuts that take the shape of a mould: purée, mash, grated, chopped leaves. Common practice. */
const takesMould = new Set(['puree', 'mashed', 'sauce', 'grated', 'leaves', 'flowers']);
const pours = new Set(['puree', 'mashed', 'sauce']);

/**
 * The styles that a cut can be packed in, the usual first; what cannot be is not among them. Common practice, by how the cut
 * is packed: loose pieces on trays; what is pressed flat in bags; cuts wrapped; liquid with headspace.
 */
export function stylesOf(cut: Pick<CutRow, 'id' | 'pack'>, own: OwnMoulds | null): readonly PackStyleId[] {
	const mould: readonly PackStyleId[] = own ? ['mould'] : [];
	switch (cut.pack) {
		case 'loose':
			return ['tray', 'flat'];
		case 'balls':
			return ['tray', 'flat', ...mould];
		case 'flat':
			return ['flat', ...(pours.has(cut.id) ? (['liquid'] as const) : []), ...(takesMould.has(cut.id) ? mould : [])];
		case 'wrap':
			return ['wrap'];
		case 'liquid':
			return ['liquid', 'flat', ...mould];
		case 'dry':
			return ['tray'];
	}
}

/** The headspace's rule of a style. */
export const headspaceAs = (cut: Pick<CutRow, 'pack'>, style: PackStyleId): PackKind =>
	style === 'tray' ? cut.pack : style === 'mould' ? 'loose' : style;

/** Packed before it freezes: the packs go into the freezer, not the pieces. */
export const packedBefore = (style: PackStyleId): 'wrap' | 'liquid' | 'flat' | undefined =>
	style === 'wrap' || style === 'liquid' || style === 'flat' ? style : undefined;

/**
 * How a style is frozen: trayfuls in the freezer at one time, and how many times.
 *
 * Flat bags lie beside one another, an inch thick: area = volume / thickness. A mould's filling is its trayful.
 *
 * @throws {DomainError} NOT_POSITIVE, OUT_OF_RANGE: from the moulds
 */
export function trayfuls(input: {
	readonly style: PackStyleId;
	readonly prepared_g: number;
	readonly packs: number;
	readonly portion_g: number;
	readonly bulk_kg_per_L: number;
	/** Of pieces in one layer, kg a tray. */
	readonly layer_kg: number;
	readonly trays: number;
	readonly trayArea_m2: number;
	readonly moulds: OwnMoulds | null;
}): { readonly needed: number; readonly rounds: number; readonly perTray_kg: number } {
	const { style, prepared_g, portion_g, bulk_kg_per_L } = input;
	if (style === 'mould' && input.moulds) {
		const { hollows, each_mL } = input.moulds;
		const filled = moulds({ food_g: prepared_g, mL: each_mL, hollows, kg_per_L: bulk_kg_per_L });
		return { needed: 1, rounds: filled.rounds, perTray_kg: (hollows * each_mL * bulk_kg_per_L) / 1000 };
	}
	let perTray_kg = input.layer_kg;
	if (style === 'flat') {
		const area_m2 = portion_g / 1000 / bulk_kg_per_L / 1000 / freezingRules.flatPack_m.value;
		perTray_kg = (Math.max(1, Math.floor(input.trayArea_m2 / area_m2)) * portion_g) / 1000;
	}
	const needed = Math.max(1, Math.ceil(prepared_g / 1000 / perTray_kg - 1e-9));
	return { needed, rounds: Math.ceil(needed / Math.max(1, input.trays)), perTray_kg };
}

/** The last steps of freezing a cut in a style. */
export function styleSteps(style: PackStyleId, look_h: number, own: OwnMoulds | null, cut: Pick<CutRow, 'pack'>, units: Units): string[] {
	switch (style) {
		case 'wrap':
			return [
				'Wrap in portions, air pressed out, label before freezing.',
				`Spread out in the coldest part of the freezer; stack when hard, look after ${look_h} h.`
			];
		case 'liquid':
			return [
				'Fill portions with headspace, lid, label before freezing.',
				`Spread out in the coldest part of the freezer; stack when hard, look after ${look_h} h.`
			];
		case 'flat':
			return [
				`Label the bags, fill them, press out the air and flatten to ${sayLength(freezingRules.flatPack_m.value, units)}.`,
				`Lay them flat on trays in the coldest part of the freezer; stand them like books when hard, look after ${look_h} h.`
			];
		case 'mould':
			return [
				`Fill the moulds${own ? `, ${sayCount(own.hollows, 'hollow')} of ${sayVolume(own.each_mL / 1000, units)}` : ''}; into the freezer, look after ${look_h} h.`,
				'Turn out when hard, bag, air pressed out, label; fill again.'
			];
		case 'tray':
			return cut.pack === 'balls' || cut.pack === 'flat'
				? [
						`Press into portions on a lined tray, freeze; look after ${look_h} h.`,
						'Bag when hard, air pressed out, label.'
					]
				: [
						`One layer on a lined tray, not touching, into the freezer; look after ${look_h} h.`,
						'Bag when firm, air pressed out, label.'
					];
	}
} // prettier-ignore
