import { sumOf, type FreezeState, type Potful } from './fold';
import { subjectOf, type FreezePlan, type FreezerPlan } from './plan';

const day_ms = 86_400_000;

/** Trays that stand in the freezer with something on them. */
export function traysBusy(plan: FreezePlan, state: FreezeState): number {
	return state.potfuls.filter((p) => p.spot === 'freeze').reduce((sum, p) => sum + traysOf(plan, p), 0);
}

/** Trays that a potful lies on; what is packed first lies on none. */
export function traysOf(plan: FreezePlan, potful: Potful): number {
	const subject = subjectOf(plan, potful.subject);
	if (!subject || subject.style !== 'tray' || subject.perTray_g <= 0) return 0;
	// Ears go through the pot, kernels onto the tray.
	const share = subject.load_g > 0 ? subject.prepared_g / subject.load_g : 1;
	return Math.max(1, Math.ceil((potful.grams * share) / subject.perTray_g - 0.25));
}

/** When a potful came into the freezer, ms. */
const frozeAt = (p: Potful): number | undefined => p.path.find((s) => s.spot === 'freeze')?.at;

/** What went into the freezers within the last day, g. */
export const inToday_g = (state: FreezeState, now: number): number =>
	sumOf(state.potfuls, (p) => (frozeAt(p) ?? -Infinity) > now - day_ms);

/**
 * The freezer that the next one goes into: each is filled with what it freezes in a day before the next one is; the first
 * where nobody said what they do.
 */
export function freezerFor(plan: FreezePlan, state: FreezeState, now: number): FreezerPlan | undefined {
	let today = inToday_g(state, now);
	for (const freezer of plan.freezers) {
		const takes = (freezer.day_kg ?? 0) * 1000;
		if (today < takes) return freezer;
		today -= takes;
	}
	return plan.freezers[0];
}

/** Why a potful finds no room in the freezer now, and when it will; null where it does. */
export function noRoom(
	plan: FreezePlan,
	state: FreezeState,
	potful: Potful,
	now: number
): { readonly why: 'trays' | 'day'; readonly until: number | null } | null {
	const going = state.potfuls.filter((p) => p.spot === 'freeze');
	const busy = traysBusy(plan, state);
	const wants = traysOf(plan, potful);
	// A potful that wants more trays than there are is laid in rounds of its own: it waits only for others.
	if (plan.trays > 0 && wants > 0 && busy > 0 && busy + wants > plan.trays) {
		const looks = state.timers.filter((t) => t.key.endsWith('-freeze') && t.due !== null).map((t) => t.due as number);
		return { why: 'trays', until: looks.length > 0 ? Math.min(...looks) : null };
	}
	const today = inToday_g(state, now);
	if (plan.day_kg > 0 && today > 0 && today + potful.grams > plan.day_kg * 1000) {
		const first = [...going, ...state.potfuls]
			.map(frozeAt)
			.filter((at): at is number => at !== undefined && at > now - day_ms);
		return { why: 'day', until: first.length > 0 ? Math.min(...first) + day_ms : null };
	}
	return null;
}
