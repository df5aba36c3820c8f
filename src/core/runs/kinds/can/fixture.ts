import { canningProducts, type CanningProduct, type PackStyle } from '../../../../reference/canning';
import type { Gauge, JarSize } from '../../../../reference/canning-rules';
import type { TestedProcess } from '../../../canning/find-process';
import { advise } from '../../../safety/advise';
import { foodById } from '../../../things/names';
import { plain, type Thing } from '../../../things/thing';
import { kitchen } from '../../../ways/kitchen.fixture';
import type { Kitchen, KitchenCanner } from '../../../ways/kitchen';
import { planCan, type CanAsk } from './make';
import type { CanPlan, Heat } from './plan';

/** For the tests: the morning that their canner goes on. */
export const start = Date.parse('2026-08-27T08:00:00Z');
export const today = '2026-08-27';

export const cannerWith = (gauge: Gauge, more: Partial<KitchenCanner> = {}): KitchenCanner => ({
	name: 'canner',
	quarts: 7,
	pints: null,
	halfPints: null,
	stacked: false,
	gauge,
	dialTested: gauge === 'dial' ? '2026-05-04' : null,
	...more
});

export interface Jars {
	readonly product: string;
	readonly food: string;
	readonly style: PackStyle;
	readonly jar: JarSize;
	readonly grams: number;
	readonly jars?: number;
	readonly thing?: Partial<Thing>;
}

export interface At {
	readonly altitude_m: number;
	readonly heat: Heat;
	readonly canner: KitchenCanner;
	readonly instrument?: CanPlan['instrument'];
}

export const productOf = (id: string): CanningProduct => {
	const found = canningProducts.find((p) => p.id === id);
	if (!found) throw new Error(`no ${id}`);
	return found;
};

/** The process that the safety module gives out for it; undefined where it gives none. */
export function processOf({ product: id, food, style, jar, thing }: Jars, at: At): TestedProcess | undefined {
	const row = foodById(food);
	if (!row) throw new Error(`no ${food}`);
	const product = productOf(id);
	const gauge = at.canner.gauge === 'dial' || at.canner.gauge === 'weighted' ? at.canner.gauge : undefined;
	const advice = advise({ ...plain(row), ...thing }, 'can', {
		product: product.product,
		altitude_m: at.altitude_m,
		style,
		jar,
		canner: at.heat,
		...(at.heat === 'pressure' && gauge ? { gauge } : {})
	});
	if (advice.kind === 'refused') return undefined;
	return advice.processes.find((p) => p.product.id === id);
}

export const kitchenAt = (at: At): Kitchen => ({ ...kitchen, altitude_m: at.altitude_m, canners: [at.canner] });

export function askOf(one: Jars, at: At, lotId = 'lot'): CanAsk {
	const row = foodById(one.food);
	const process = processOf(one, at);
	if (!row || !process) throw new Error(`no process for ${one.product}`);
	const { grams: raw_g, jars } = one;
	const ask = { lotId, thing: { ...plain(row), ...one.thing }, called: row.name, raw_g, process };
	return jars === undefined ? ask : { ...ask, jars };
}

export function canPlanOf(list: readonly Jars[], at: At): CanPlan {
	const asks = list.map((one, i) => askOf(one, at, `lot-${i + 1}`));
	const { heat, canner, instrument = null } = at;
	const plan = planCan(asks, { heat, canner, instrument, today }, kitchenAt(at));
	if (plan.kind === 'refused') throw new Error(plan.reason);
	return plan;
}
