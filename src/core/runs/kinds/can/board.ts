import { cannerModel } from '../../../../reference/model-rules';
import { canningRules } from '../../../../reference/canning-rules';
import { fullAt, inCanner, loadAt, minutesOf, restOf_s, type CanLoad, type CanState, type Spot } from './fold';
import { mark_Pa, type CanPlan } from './plan';

/** A stretch of a load on the clock: what was, what is, what is to come. */
export interface Phase {
	readonly id: Spot;
	readonly name: string;
	/** ms; of what is to come as it is expected. */
	readonly from: number;
	readonly to: number;
	readonly is: 'over' | 'now' | 'ahead';
	/** Expected, not published: heating, coming up, coming down. */
	readonly about: boolean;
	readonly words: string;
}

export interface CanBoard {
	readonly load: CanLoad;
	readonly minutes: number;
	readonly mark_Pa: number | null;
	readonly phases: readonly Phase[];
	/** What is held, ms, and until when it must be. */
	readonly held: { readonly from: number; readonly to: number; readonly until: number } | null;
	/** The last reading of a gauge. */
	readonly last_Pa: number | null;
	readonly lastAt: number | null;
}

const order: readonly Spot[] = ['heat', 'vent', 'up', 'hold', 'down', 'rest'];

/** The load that is in the canner, or was last, as its board draws it. */
export function boardOf(plan: CanPlan, state: CanState, now: number): CanBoard | null {
	const load = loadAt(state, inCanner) ?? [...state.loads].reverse().find((l) => l.spot === 'out' || l.spot === 'lost');
	if (!load) return null;
	const minutes = minutesOf(plan, load);
	const reading = load.readings.findLast((r) => r.Pa !== null);
	const until = fullAt(plan, load);
	const held =
		load.doneAt !== null
			? { from: load.doneAt - (load.held_s ?? 0) * 1000, to: load.doneAt, until: load.doneAt }
			: load.heldFrom !== null && until !== null
				? { from: load.heldFrom, to: Math.min(now, until), until }
				: null;
	return {
		load,
		minutes,
		mark_Pa: plan.heat === 'pressure' ? mark_Pa(plan) : null,
		phases: phasesOf(plan, load, now),
		held,
		last_Pa: reading?.Pa ?? null,
		lastAt: reading?.at ?? null
	};
}

/** Each stretch from when it began, as far as that is known; what is to come after one another. */
function phasesOf(plan: CanPlan, load: CanLoad, now: number): Phase[] {
	const pressure = plan.heat === 'pressure';
	const minutes = minutesOf(plan, load);
	const spots = order.filter((s) => pressure || (s !== 'vent' && s !== 'up' && s !== 'down'));
	const names: Readonly<Record<string, string>> = {
		heat: pressure ? 'heat' : 'to the boil',
		vent: `vent, ${canningRules.vent_s.value / 60} min`,
		up: 'come up',
		hold: `process, ${minutes} min`,
		down: 'come down',
		rest: `wait ${restOf_s(plan) / 60}`
	};
	const long_s: Readonly<Record<string, number>> = {
		heat: cannerModel.returnBoil_s.value,
		vent: canningRules.vent_s.value,
		up: cannerModel.comeUp_s.value,
		hold: minutes * 60,
		down: cannerModel.comeDown_s.value,
		rest: restOf_s(plan)
	};
	const began: Readonly<Record<string, number | null>> = {
		heat: load.lidAt,
		vent: load.ventFrom,
		up: load.ventTo,
		hold: load.doneAt !== null ? load.doneAt - (load.held_s ?? 0) * 1000 : load.heldFrom,
		down: pressure ? load.doneAt : null,
		rest: load.restAt
	};
	const at = load.spot === 'out' || load.spot === 'lost' ? spots.length : spots.indexOf(load.spot === 'short' ? 'hold' : load.spot); // prettier-ignore
	let cursor = load.lidAt ?? now;
	return spots.map((id, i): Phase => {
		const from = i <= at ? (began[id] ?? cursor) : cursor;
		const known = spots.slice(i + 1).map((s) => began[s]).find((t) => t !== null && t !== undefined) ?? load.outAt; // prettier-ignore
		const to = i < at ? Math.max(from, known ?? now) : Math.max(from + (long_s[id] ?? 0) * 1000, i === at ? now : 0);
		cursor = to;
		return {
			id,
			name: names[id] ?? id,
			from,
			to,
			is: i < at ? 'over' : i === at ? 'now' : 'ahead',
			about: i > at || id === 'heat' || id === 'up' || id === 'down',
			words: id === 'down' ? 'by itself' : id === 'rest' ? (pressure ? 'weight off, then the lid away' : 'lid off') : ''
		};
	});
}

/** Where jars stand in a round canner seen from above, in its radius: a middle and a ring, two rings when they are many. */
export function places(count: number): readonly { readonly x: number; readonly y: number; readonly r: number }[] {
	if (count <= 0) return [];
	if (count === 1) return [{ x: 0, y: 0, r: 0.45 }];
	const inner = count < 6 ? 0 : count < 10 ? 1 : Math.min(6, Math.max(1, Math.round(count * 0.3)));
	const outer = count - inner;
	const ring = (n: number, away: number, r: number) =>
		Array.from({ length: n }, (_, i) => {
			const angle = (i / n) * 2 * Math.PI - Math.PI / 2;
			return { x: away * Math.cos(angle), y: away * Math.sin(angle), r };
		});
	// Neighbours on the outer ring touch: 2r = 2·away·sin(π/n), and away + r is the wall.
	const sine = Math.sin(Math.PI / Math.max(2, outer));
	const away = 0.97 / (1 + sine);
	const widest = away * sine;
	const room = inner === 0 ? widest : inner === 1 ? away - widest : (away - widest) / 2;
	const r = Math.max(0.08, Math.min(widest, inner === 0 ? widest : room) * 0.95);
	const middle = inner === 1 ? [{ x: 0, y: 0, r }] : ring(inner, Math.max(r, (away - r) / 2), r);
	return [...ring(outer, away, r), ...(inner > 0 ? middle : [])];
}
