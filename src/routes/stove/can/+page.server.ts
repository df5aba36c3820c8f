import type { RunPlan } from '$core/runs/kinds';
import { beginAction, beginPage } from '$lib/server/begin';
import { canFor } from '$lib/server/can';
import { canAsked } from '$lib/server/can-asked';
import { canSlug } from '$lib/server/ways/look';
import type { Actions, PageServerLoad } from './$types';

/** What goes into jars was a share of its lot, where the haul was shared out. */
const takes = (plan: RunPlan) =>
	plan.kind === 'can' ? plan.subjects.map((s) => ({ lot: s.lotId, way: canSlug(s.product.id), grams: s.raw_g })) : [];

export const load: PageServerLoad = beginPage(canAsked, (view) => `Into jars: ${view.name}`, canFor);
export const actions: Actions = {
	start: (event) => beginAction(event, canAsked, 'can', canFor, takes)
};
