import { boilDownModel } from '../../../../reference/model-rules';
import { steamHeat_J_kg } from '../../../heat/boil-down';
import { waterHeat_J_kgK } from '../../../heat/constants';
import { usefulPower_W } from '../../../heat/pot-heating';
import { nothingBooked, packedLots, type Closing, type RunBook } from '../../engine/book';
import type { Packable, Sums } from '../../engine/kind';
import type { CookState } from './fold';
import { subjectOf, titleOf, type CookPlan } from './plan';

const packed_g = (state: CookState) => state.packed.reduce((sum, p) => sum + p.packs * p.pack_g, 0);

/** Whether nothing of it is left to be kept. */
export const allLost = (state: Pick<CookState, 'lost_g' | 'milled_g' | 'load_g'>): boolean =>
	state.lost_g > 0 && state.lost_g >= (state.milled_g ?? state.load_g);

/** What is expected into packs: by what came through the mill, else by what was weighed. */
export function expected_g(plan: CookPlan, state: CookState): number {
	if (allLost(state)) return 0;
	const { load_g, out_g, fraction, thin_kg_L, thick_kg_L } = subjectOf(plan);
	if (state.milled_g !== null)
		return Math.round(fraction === null ? state.milled_g : (state.milled_g / thin_kg_L) * fraction * thick_kg_L);
	return load_g > 0 ? Math.round((out_g * state.load_g) / load_g) : out_g;
}

/** Brought to the boil, and what was cooked away, by the burner's own share of useful heat. */
function energyOf(plan: CookPlan, state: CookState, begun: boolean): Pick<Closing, 'energy_kWh'> {
	if (!begun) return {};
	const { burner } = plan.pan;
	const share = usefulPower_W(burner) / burner.power_W;
	const heated_J = (state.load_g / 1000) * waterHeat_J_kgK * 75;
	const subject = subjectOf(plan);
	const cooked = subject.fraction !== null && state.thickBy !== null;
	const gone_kg = cooked ? Math.max(0, (state.milled_g ?? state.load_g) - expected_g(plan, state)) / 1000 : 0;
	const gone_J = (gone_kg * steamHeat_J_kg) / boilDownModel.openEfficiency.value;
	return { energy_kWh: Math.round(((heated_J + gone_J) / share / 3.6e6) * 1000) / 1000 };
}

/** The book of a pan: one entry, once it was on the heat. */
export function book(plan: CookPlan, state: CookState): RunBook {
	if (state.phase === 'working' || state.endedAt === null) return nothingBooked;
	const subject = subjectOf(plan);
	const begun = state.spot !== 'board' || state.packed.length > 0;
	const raw_g = begun || state.phase === 'finished' ? subject.raw_g : 0;
	const packed = packed_g(state);
	const byproduct_g = state.byproducts.reduce((sum, b) => sum + b.grams, 0);
	const added_g = begun ? Math.round((state.milled_g ?? state.load_g) * (subject.added?.share ?? 0)) : 0;
	const elapsed_s = (state.endedAt - state.startedAt) / 1000;
	const closing: Closing = {
		raw_g,
		load_g: begun ? state.load_g : 0,
		packed_g: packed,
		packs: state.packed.reduce((total, p) => total + p.packs, 0),
		supper_g: 0,
		...(byproduct_g > 0 ? { byproduct_g } : {}),
		...(added_g > 0 ? { added_g } : {}),
		lost_g: raw_g + added_g - packed - byproduct_g,
		yield: packed > 0 && raw_g > 0 ? Math.max(0, packed - added_g) / raw_g : null,
		elapsed_s: Math.round(elapsed_s),
		hands_s: Math.round(Math.min(begun ? subject.expected.hands_s : 0, elapsed_s)),
		...energyOf(plan, state, begun),
		lots: packedLots(state.packed),
		potfuls: []
	};
	return {
		end: { status: state.phase, endedAt: state.endedAt },
		again: state.again,
		entries: [
			{
				n: 1,
				food: subject.to.food,
				form: subject.to.form,
				cut: subject.to.form,
				wayId: 'cook-down',
				way: subject.to.name,
				method: 'cook',
				state: 'frozen',
				title: titleOf(subject),
				use: subject.use,
				months: subject.months[1],
				closing
			}
		],
		used: raw_g > 0 ? [{ lotId: subject.lotId, grams: raw_g }] : [],
		packs: state.packed.filter((p) => p.subject === 1),
		byproducts: state.byproducts.filter((p) => p.subject === 1)
	};
}

export function packables(plan: CookPlan, state: CookState): Packable[] {
	const subject = subjectOf(plan);
	const cool = state.met > 0 || state.spot === 'cold';
	if (!cool && state.packed.length === 0) return [];
	return [
		{
			n: 1,
			name: subject.food.name,
			ready_g: expected_g(plan, state),
			packed_g: packed_g(state),
			portion_g: subject.portion_g,
			containerId: subject.container?.id ?? null,
			readyWord: 'cold',
			packWord: 'pack'
		}
	];
}

export const allAway = (_plan: CookPlan, state: CookState): boolean => state.packed.length > 0;

export function sums(plan: CookPlan, state: CookState): Sums {
	const { raw_g } = subjectOf(plan);
	const begun = state.spot !== 'board';
	return {
		packed_g: packed_g(state),
		supper_g: 0,
		waiting_g: begun ? 0 : raw_g,
		under_g: begun ? raw_g : 0,
		stoppedWords: begun ? '' : 'What had not been in the pan is still in the Basket.'
	};
}
