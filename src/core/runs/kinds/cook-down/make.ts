import { waterHeat_J_kgK } from '../../../heat/constants';
import { boilDownModel } from '../../../../reference/model-rules';
import { sources } from '../../../../reference/sources';
import type { TransformRow } from '../../../../reference/transforms';
import { coolingRule } from '../../../heat/cooling';
import { boilingPoint_C } from '../../../heat/boiling-point';
import { steamHeat_J_kg, type BoilPot } from '../../../heat/boil-down';
import { usefulPower_W } from '../../../heat/pot-heating';
import { make, transformsOf } from '../../../things/transform';
import type { Thing } from '../../../things/thing';
import { coreVersion } from '../../../version';
import type { FreezeWay } from '../../../ways/freeze-way';
import type { Kitchen, KitchenPot } from '../../../ways/kitchen';
import type { CookPlan, CookSubject } from './plan';

/** Steps that are led here: what is softened, milled, and cooked down in a pan. */
const led = new Set<TransformRow['step']>(['reduce', 'cook', 'puree', 'juice', 'stock']);
/** By-products that a mill or a cloth holds back. */
const heldBack = /skin|seed|core|pit|peel|pulp|stem|pomace|calyx/;
/** Freshly milled fruit, kg to the litre (common practice). */
const thin_kg_L = 1.02;

/**
 * As it goes into the pan: frozen or thawed fruit and vegetables are cooked like fresh ones, their own juice with them (common
 * practice); what may still be used at all is decided before.
 */
export const forPan = (thing: Thing): Thing =>
	thing.state === 'frozen' || thing.state === 'thawed' ? { ...thing, state: 'fresh' } : thing;

/** What may be made of a thing in a pan. */
export const cookedDown = (thing: Thing): readonly TransformRow[] =>
	transformsOf(forPan(thing)).filter(
		(r) => led.has(r.step) && (r.to.state === 'cooked' || r.step === 'juice') && !r.unsure
	);

/** The pan's own measures; guessed from its litres where nobody measured it: three quarters as high as wide (common practice). */
export function panOf(pot: KitchenPot): BoilPot & { readonly guessed: boolean } {
	if (pot.diameter_m && pot.height_m) return { base_m: pot.diameter_m, height_m: pot.height_m, guessed: false };
	const base_m = pot.diameter_m ?? Math.cbrt((4 * pot.litres) / 1000 / (Math.PI * 0.75));
	return { base_m, height_m: pot.litres / 1000 / ((Math.PI / 4) * base_m ** 2), guessed: true };
}

export interface CookChosen {
	readonly thing: Thing;
	readonly row: TransformRow;
	readonly lotId: string;
	readonly called: string;
	readonly raw_g: number;
	readonly pot: KitchenPot;
	/** Of the volume, where it is said: a half. */
	readonly fraction?: number;
	/** How what comes of it is frozen. */
	readonly freeze: FreezeWay;
}

/** Freezes what is to become of a lot in a pan into the plan of a run. */
export function planCook(chosen: CookChosen, kitchen: Kitchen): CookPlan {
	const { row, lotId, called, raw_g, pot, freeze } = chosen;
	const thing = forPan(chosen.thing);
	const boil_C = boilingPoint_C(kitchen.altitude_m ?? 0);
	const made = make(row, thing, raw_g);
	const milledOut = (row.by ?? []).filter((b) => heldBack.test(b.form)).reduce((sum, b) => sum + b.share, 0);
	const thick_kg_L = row.kg_per_L ?? 1.03;
	const out = (row.yield[0] + row.yield[1]) / 2;
	const inPan = 1 - milledOut + (row.added?.share ?? 0);
	// Of the volume: what is printed goes by weight.
	const printed = out / thick_kg_L / (inPan / thin_kg_L);
	const reduces = row.step === 'reduce';
	const fraction = reduces ? (chosen.fraction ?? Math.min(0.95, Math.max(0.05, printed))) : null;
	const gone_kg = reduces ? (raw_g / 1000) * inPan * (1 - (fraction ?? 1)) : 0;
	const heat_s = ((raw_g / 1000) * waterHeat_J_kgK * 75) / usefulPower_W(pot.burner);
	const simmer_s = (gone_kg * steamHeat_J_kg) / (usefulPower_W(pot.burner) * boilDownModel.openEfficiency.value);
	const hands_s = (made.hands_s ?? (raw_g / 1000) * 300) + simmer_s * 0.15;
	const subject: CookSubject = {
		n: 1,
		lotId,
		raw_g,
		food: { id: thing.food.id, name: called },
		form: thing.form,
		to: { food: made.thing.food.id, form: made.thing.form, name: row.name },
		transform: row.id,
		soften: row.from.state !== 'cooked',
		milledOut,
		milledWords: (row.by ?? [])
			.filter((b) => heldBack.test(b.form))
			.map((b) => b.form)
			.join(', '),
		added: row.added ? { what: row.added.what, share: row.added.share } : null,
		thin_kg_L,
		thick_kg_L,
		fraction,
		catches: fraction !== null && fraction < 0.35,
		load_g: raw_g,
		out_g: Math.round(fraction === null ? made.grams : ((raw_g * inPan) / thin_kg_L) * fraction * thick_kg_L),
		cooling: [
			{ value: coolingRule.first_C, falling: true, within_s: coolingRule.first_s },
			{ value: coolingRule.second_C, falling: true, within_s: coolingRule.whole_s }
		],
		portion_g: Math.max(1, Math.round(freeze.packs.portion_g)),
		container: freeze.packs.container ? { id: freeze.packs.container.id, name: freeze.packs.container.name } : null,
		headspace: freeze.packs.headspace,
		months: freeze.months,
		use: freeze.use,
		acid: row.acid ?? 'low',
		source: `${sources[row.source].short} (${row.confidence})`,
		cautions: freeze.cautions.map((c) => c.text),
		byproducts: made.by
			.filter((b) => b.kept)
			.map((b) => ({ food: b.thing.food.id, form: b.thing.form, name: b.thing.called, grams: Math.round(b.grams) })),
		expected: { hands_s, elapsed_s: hands_s + heat_s + simmer_s }
	};
	return {
		core: coreVersion,
		kind: 'cook-down',
		version: 1,
		units: kitchen.units,
		subjects: [subject],
		pan: { ...panOf(pot), name: pot.name, burner: pot.burner },
		boil_C
	};
}
