import { mealOf } from '$core/meat/pack-meat';
import { sayDate } from '$core/quantities/dates';
import { parseMeasure } from '$core/quantities/parse-measure';
import { sayCount, sayDuration, sayLength, sayWeight, type Units } from '$core/quantities/format';
import type { Item } from '$core/packing/bags';
import { dateIn } from '$core/freezing/keep';
import { isMeat } from '$core/safety/dry';
import { planSeal } from '$core/runs/kinds/seal/make';
import type { Stay } from '$core/things/clock';
import type { SealPlan } from '$core/runs/kinds/seal/plan';
import type { Begin } from '$lib/ui/run/types';
import { AppError } from './errors';
import type { Stores } from './stores';
import { staysAfter } from './things';
import { amountOf, readLot } from './ways/read';

export interface SealAsk {
	readonly lot: string;
	readonly pack?: number | undefined;
	readonly size?: string | undefined;
	readonly firm?: 'yes' | 'no' | undefined;
	readonly grams?: number | undefined;
}

/** No clock of a lot is written further ahead than so, ms: ten years. */
const far_ms = 3.2e11;

/**
 * A lot into bags or jars without air: how large the packs are, how large a piece is, whether it is frozen first.
 *
 * @throws {AppError} 400 a size that is none; 404
 */
export async function sealFor(
	stores: Stores,
	ask: SealAsk,
	now: Date
): Promise<{ view: Begin; plan: SealPlan | null }> {
	const [read, gear] = await Promise.all([readLot(stores, ask.lot, now), stores.gear.equipment()]);
	const { thing, kitchen, lot } = read;
	const { units } = kitchen;
	const [sealer = null] = gear.flatMap((g) => (g.kind === 'sealer' ? [g.spec] : []));
	const dried = thing.state === 'dried';
	const pack_g = ask.pack ?? (dried ? 300 : mealOf(kitchen.people));
	const sizes = [...new Set([150, 250, 300, 500, 750, 1000, 1500, 2000, pack_g])].sort((a, b) => a - b);
	const raw = isMeat(thing.food) && !dried && thing.state !== 'frozen';
	const base: Begin = {
		name: lot.title,
		amount: sayWeight(read.whole_g, units),
		selects: [
			{
				name: 'pack',
				label: 'in each',
				value: `${pack_g}`,
				options: sizes.map((g) => ({ value: `${g}`, words: sayWeight(g, units) }))
			},
			...(raw
				? [
						{
							name: 'firm',
							label: 'before it is sealed',
							value: ask.firm ?? 'no',
							options: [
								{ value: 'no', words: 'as it is, cold' },
								{ value: 'yes', words: 'frozen until its edges are stiff' }
							]
						}
					]
				: [])
		],
		fields: dried
			? []
			: [
					{
						name: 'size',
						label: `one piece, ${units === 'us' ? 'in' : 'cm'}: long × wide × high`,
						value: ask.size ?? '',
						placeholder: units === 'us' ? '8 × 5 × 4' : '20 × 13 × 11'
					}
				],
		gets: null,
		cautions: [],
		source: '',
		stop: read.stop
			? `${read.stop.reason} ${read.stop.instead.join('; ')}.`
			: read.free_g === 0
				? 'All of it is at the Stove already.'
				: ''
	};
	if (base.stop !== '') return { view: base, plan: null };
	const raw_g = amountOf(read, ask.grams);
	const keepsUntil = lot.keepsUntil ?? dateIn(kitchen.zone, Math.min(read.clock.bestBy, now.getTime() + far_ms));
	const plan = planSeal(
		{
			thing,
			called: lot.title,
			lotId: lot.id,
			warm_ms: warmOf(staysAfter(lot, read.place, now)),
			place: { name: read.place.name, C: read.place.tempC },
			raw_g,
			keepsUntil,
			pack_g,
			item: itemOf(ask.size, units),
			sealer,
			firmFirst: ask.firm === 'yes'
		},
		kitchen,
		now.getTime()
	);
	if (plan.kind === 'refused')
		return { view: { ...base, stop: `${plan.reason} ${plan.instead.join('; ')}.` }, plan: null };
	return {
		plan,
		view: { ...base, gets: getsOf(plan, units), cautions: plan.subjects[0].cautions, source: plan.subjects[0].source }
	};
}

function getsOf(plan: SealPlan, units: Units): NonNullable<Begin['gets']> {
	const [s] = plan.subjects;
	const rounds = plan.rounds.map((r) => r.packs).join(' + ');
	return {
		packs: `${s.packs}`,
		each: `${s.into === 'jar' ? 'jars' : 'bags'} of ${sayWeight(s.portion_g, units)}`,
		lines: [
			...(s.cut
				? [
						[
							'off the roll',
							`${sayLength(s.cut.length_m, units)} each, ${sayLong(s.cut.length_m * s.packs, units)} in all${s.cut.roll ? `: ${s.cut.roll}` : ''}`
						] as const
					]
				: []),
			...(s.first ? [['first', `frozen ${s.first.how}, ${s.first.hours[0]} to ${s.first.hours[1]} h`] as const] : []),
			[
				plan.rounds.length > 1 ? 'in lots' : 'in one go',
				plan.rounds.length > 1
					? `${rounds}: each filled, then sealed, the others in the cold`
					: 'all filled, then all sealed'
			],
			...(plan.out_h === null
				? []
				: [
						[
							'out of the cold',
							`${sayDuration(plan.out_h * 3600)} at most, all times together${plan.warm_ms > 0 ? `; ${sayDuration(plan.warm_ms / 1000)} are gone already` : ''}`
						] as const
					]),
			[
				'then',
				`${s.place === 'freezer' ? 'into the freezer' : 'onto the shelf'}; looked at again in ${sayCount(2, 'day')}`
			],
			['keeps until', sayDate(s.until)],
			['your hands', sayDuration(s.expected.hands_s)]
		]
	};
}

/** A roll is told in metres or feet. */
const sayLong = (m: number, units: Units): string =>
	units === 'us' ? `${Math.ceil(m / 0.3048)} ft` : `${m.toFixed(1)} m`;

/** "20 × 13 × 11" in the household's unit. @throws {AppError} 400 */
function itemOf(text: string | undefined, units: Units): Item | null {
	if (!text?.trim()) return null;
	const sides = text.split(/[x×*;]/i).map((t) => parseMeasure(t, 'length', units));
	const [length_m, width_m, height_m] = sides;
	if (
		sides.length !== 3 ||
		length_m === undefined ||
		width_m === undefined ||
		height_m === undefined ||
		sides.some((m) => m === undefined || m < 0.005 || m > 1.2)
	)
		throw new AppError(
			400,
			'BAD_INPUT',
			'The size of a piece is three lengths, such as 20 × 13 × 11. Nothing was started.',
			[{ field: 'size', message: 'Long × wide × high.' }]
		);
	return { length_m, width_m, height_m };
}

/** Out of the cold so far, ms: every stay in a place warmer than a fridge. */
const warmOf = (stays: readonly Stay[]): number =>
	stays.filter((s) => s.place_C > 5).reduce((sum, s) => sum + Math.max(0, (s.until ?? s.from) - s.from), 0);
