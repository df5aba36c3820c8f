import { canningRules } from '../../../../reference/canning-rules';
import { sayTemperature, sayWeight } from '../../../quantities/format';
import { capital, still, titleOf, type CanAct } from './act';
import { allAway } from './book';
import { processedJars, type CanState } from './fold';
import type { CanPlan } from './plan';
import { jarWords } from './say';
import { settleAct, readyActs, printedActs, weighActs, fillActs } from './fill-acts';
import { canActs } from './heat-acts';

/** All that could be done now, the most urgent first. A canner under heat is never said to be safe to leave. */
export function acts(plan: CanPlan, state: CanState, now: number): CanAct[] {
	if (state.phase !== 'working') return [];
	const list = [
		...settleAct(plan, state),
		...readyActs(plan, state),
		...printedActs(plan, state),
		...weighActs(plan, state),
		...fillActs(plan, state, now),
		...canActs(plan, state, now),
		...awayActs(plan, state)
	];
	return list.sort((a, b) => a.urgency - b.urgency);
}

/** What is to be put away: jars with their process onto a shelf, the others into the cold. */
function awayActs(plan: CanPlan, state: CanState): CanAct[] {
	const list: CanAct[] = [];
	for (const subject of plan.subjects) {
		const put = (n: number) => state.packed.filter((p) => p.subject === n).reduce((sum, p) => sum + p.packs, 0);
		const done = processedJars(state, subject.n);
		const ends = plan.ends.filter((e) => e.subject === subject.n);
		const all = ends.reduce((sum, e) => sum + put(e.n), 0);
		const over = state.loads.filter((l) => l.spot === 'out' || l.spot === 'lost');
		const there = over.reduce((sum, l) => sum + (l.filled.find((f) => f.subject === subject.n)?.jars ?? 0) - (l.filled.find((f) => f.subject === subject.n)?.broken ?? 0), 0); // prettier-ignore
		const shelf = ends.find((e) => e.processed);
		const cold = ends.filter((e) => !e.processed);
		const base = {
			...still,
			about: subject.product.name,
			short: subject.product.name,
			since: state.startedAt,
			asks: 'packs',
			button: null,
			task: 'label'
		} as const;
		if (shelf && done > put(shelf.n))
			list.push({
				...base,
				key: `away-${shelf.n}`,
				kind: 'pack',
				subject: shelf.n,
				sentence: `Label ${jarWords(subject, done - put(shelf.n))}: where they will stand.`,
				hint: `They had their full process. Today they stand undisturbed; tomorrow each seal is looked at, the ring comes off, and they go dark and dry at ${sayTemperature(Math.round(canningRules.storeWarmest_C.value), plan.units)} or below.`,
				urgency: 7
			});
		const raw = there - done - (all - (shelf ? put(shelf.n) : 0));
		const [first] = cold;
		if (raw > 0 && first)
			list.push({
				...base,
				key: `cold-${first.n}`,
				kind: 'pack',
				subject: first.n,
				sentence: `${capital(jarWords(subject, raw))} without their process: ${cold.map((e) => e.words).join(', or ')}.`,
				hint: `They are not canned. Within two hours of the heat into the cold; ${sayWeight(subject.portion_g, plan.units)} in each. In the freezer with room to grow: poured over into a box, or no fuller than the shoulder of the jar.`,
				urgency: 2.2
			});
	}
	const [first] = state.packed;
	if (list.length === 0 && first && allAway(plan, state))
		list.push({
			...still,
			key: 'close',
			kind: 'pack',
			about: titleOf(plan),
			short: titleOf(plan),
			subject: first.subject,
			sentence: 'All of it stands where it belongs.',
			hint: `Close the run. Between ${canningRules.coolLeast_h.value} and ${canningRules.coolMost_h.value} hours from the canner each seal is looked at, jar by jar: it stands among the looks.`,
			since: state.startedAt,
			asks: 'packs',
			button: null,
			task: 'label',
			urgency: 8.5
		});
	return list;
}
