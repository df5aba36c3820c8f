import { dryingModel } from '../../../../reference/model-rules';
import { steamHeat_J_kg } from '../../../heat/boil-down';
import {
	nothingBooked,
	packedLots,
	usedByLot,
	type BookEntry,
	type Closing,
	type DriedTray,
	type RunBook
} from '../../engine/book';
import { loaded_g, wet_g, type Tray } from './tray';
import { dryOf, tally, waiting, type DryState } from './fold';
import { titleOf, type DryPlan, type DrySubject } from './plan';

/** A printed blanch that was left out shortens its date: used within so many months (common practice). */
const skippedMonths = 1;

/**
 * The book of a load: an entry for each food that came onto a tray, a pure function of its fold.
 *
 * A food that is stopped half-way uses up what had come onto trays; the rest stays in the Basket.
 */
export function book(plan: DryPlan, state: DryState): RunBook {
	if (state.phase === 'working' || state.endedAt === null) return nothingBooked;
	const { phase: status, endedAt } = state;
	const closings = plan.subjects.map((subject) => ({ subject, closing: close(plan, state, subject, endedAt) }));
	const touched = closings.filter(
		({ subject, closing }) =>
			closing.raw_g > 0 || closing.packs > 0 || state.byproducts.some((b) => b.subject === subject.n)
	);
	const mine = (line: { readonly subject: number }) => plan.subjects.some((s) => s.n === line.subject);
	return {
		end: { status, endedAt },
		again: state.again,
		entries: (plan.subjects.length === 1 ? closings : touched).map(({ subject, closing }) =>
			entry(state, subject, closing)
		),
		used: usedByLot(closings),
		packs: state.packed.filter(mine),
		byproducts: state.byproducts.filter(mine)
	};
}

function entry(state: DryState, subject: DrySubject, closing: Closing): BookEntry {
	const heat = state.subjects.find((s) => s.n === subject.n)?.heat;
	const skipped = subject.first !== null && !subject.first.dip && heat?.potfuls === 0;
	return {
		n: subject.n,
		food: subject.food.id,
		form: subject.form,
		cut: subject.cut.id,
		wayId: 'dry',
		way: subject.way.name,
		method: 'dry',
		state: 'dried',
		title: titleOf(subject),
		use: subject.use,
		months: skipped ? Math.min(skippedMonths, subject.months[1]) : subject.months[1],
		closing
	};
}

function close(plan: DryPlan, state: DryState, subject: DrySubject, end: number): Closing {
	const { n } = subject;
	const known = state.subjects.find((s) => s.n === n);
	const sums = tally(plan, state, n);
	const trays = state.trays.filter((t) => t.subject === n);
	const on_g = loaded_g(plan, state.trays, n);
	const finished = state.phase === 'finished';
	const idle = plan.subjects.length > 1 && trays.length === 0 && sums.packed_g === 0;
	const load_g = known?.load_g ?? 0;
	// What was too little for a tray is on the others; what of a tray nobody could weigh is all of its food.
	const unknown = trays.some((t) => wet_g(plan, t) === null);
	const whole =
		unknown || (finished && waiting(plan, state, n).length === 0) || (finished && plan.subjects.length === 1);
	const share = idle ? 0 : whole ? 1 : load_g > 0 ? Math.min(1, on_g / load_g) : 0;
	const raw_g = Math.round(subject.raw_g * share);
	const packed = state.packed.filter((p) => p.subject === n);
	const byproduct_g = state.byproducts.filter((b) => b.subject === n).reduce((sum, b) => sum + b.grams, 0);
	const elapsed_s = (end - state.startedAt) / 1000;
	// Eaten from the tray is food that was had; by what it was at its start no more is known.
	const eaten_g = trays.filter((t) => t.why === 'eaten').reduce((sum, t) => sum + (wet_g(plan, t) ?? 0), 0);
	return {
		raw_g,
		load_g: on_g,
		packed_g: sums.packed_g,
		packs: packed.reduce((total, p) => total + p.packs, 0),
		supper_g: eaten_g,
		...(byproduct_g > 0 ? { byproduct_g } : {}),
		lost_g: raw_g - sums.packed_g - eaten_g - byproduct_g,
		yield: sums.packed_g > 0 && raw_g > 0 ? sums.packed_g / raw_g : null,
		elapsed_s: Math.round(elapsed_s),
		hands_s: Math.round(Math.min(subject.expected.hands_s * (load_g > 0 ? Math.min(1, on_g / load_g) : 0), elapsed_s)),
		...energyOf(plan, state, trays),
		lots: packedLots(packed),
		potfuls: [],
		trays: trays.map((t) => dried(plan, subject, t))
	};
}

/** By the water that went, as the ways reckon it; and no more than the dryer can draw while it is on, shared out by the trays' hours. */
function energyOf(plan: DryPlan, state: DryState, trays: readonly Tray[]): Pick<Closing, 'energy_kWh'> {
	const gone_kg = trays.reduce((sum, t) => sum + Math.max(0, (wet_g(plan, t) ?? 0) - dryOf(plan, t)), 0) / 1000;
	const hours = (list: readonly Tray[]) => list.reduce((sum, t) => sum + t.hours, 0);
	const all_h = hours(state.trays);
	if (gone_kg === 0 || all_h === 0) return {};
	const water_kWh = (gone_kg * steamHeat_J_kg) / dryingModel.dryerEfficiency.value / 3.6e6;
	const longest_h = Math.max(...state.trays.map((t) => t.hours));
	const most_kWh = ((plan.dryer.power_W ?? Infinity) / 1000) * longest_h * (hours(trays) / all_h);
	return { energy_kWh: Math.round(Math.min(water_kWh, most_kWh) * 1000) / 1000 };
}

/** A tray as the book keeps it: weight and measure in and out, planned and observed. */
const dried = (plan: DryPlan, subject: DrySubject, tray: Tray): DriedTray => ({
	tray: tray.tray,
	slot: tray.slot,
	wet_g: wet_g(plan, tray),
	wet_mL: tray.mL,
	dry_g: tray.spot === 'cooling' ? dryOf(plan, tray) : null,
	dry_mL: tray.dry_mL,
	hours: Math.round(tray.hours * 100) / 100,
	planned_h: subject.forecast.hours,
	table_h: subject.forecast.table_h,
	rowId: subject.rowId,
	machine: plan.dryer.name,
	weights: tray.weights.map(({ hours, grams }) => ({ hours: Math.round(hours * 100) / 100, grams })),
	outcome: tray.spot === 'cooling' ? 'dry' : (tray.why ?? 'left')
});
