import { lookUpCooking } from '$core/cooking/cook-look-up';
import type { DryAnswer } from '$core/drying/dry-look-up';
import { DomainError } from '$core/errors';
import type { FreezeAnswer } from '$core/freezing/freeze-look-up';
import { amountText, litresIn, sayAmount } from '$core/quantities/amount';
import { cFromF, kgFromLb } from '$core/quantities/units';
import { practical, type ScaledIngredient, type ScaledRecipe } from '$core/recipes/scale-recipe';
import type { Keeps, StorageAnswer } from '$core/storing/storage-look-up';
import type { FigureRow, FigureUnit, Recalled } from '$reference/other-ways';
import type { Provenance } from '$reference/row';
import type { HeatStepRow } from '$reference/safety';
import { sources } from '$reference/sources';
import type { Thing } from '$core/things/thing';
import { AppError } from '../errors';

/** Turns a misuse of the core that a query made into 400, with what is known instead. */
export function asked<T>(work: () => T, near: readonly string[] = []): T {
	try {
		return work();
	} catch (thrown) {
		if (!(thrown instanceof DomainError)) throw thrown;
		throw new AppError(400, thrown.code, thrown.message, [{ field: thrown.field, message: thrown.message }], near);
	}
}

const round = (value: number, digits = 1) => Number(value.toFixed(digits));
const pair = (value: number | readonly number[]): [number, number] =>
	typeof value === 'number' ? [value, value] : [value[0] ?? Number.NaN, value[1] ?? value[0] ?? Number.NaN];
const celsius = (range: readonly number[]): [number, number] => {
	const [low, high] = pair(range);
	return [round(cFromF(low)), round(cFromF(high))];
};

export const provenance = (row: Provenance) => ({ source: sources[row.source].title, confidence: row.confidence });
const recalled = (row: Recalled) => (row.recalls === 'agreed' ? 'twice' : row.recalls === undefined ? null : 'once');

export const shownFigure = (row: FigureRow) => ({
	id: row.id,
	what: row.what,
	range: pair(row.value),
	unit: row.unit,
	metric: amountText(sayAmount(row.value, row.unit, 'metric')),
	at: row.at ?? null,
	note: row.note ?? null,
	...provenance(row),
	recalled: recalled(row)
});
export const shownStep = (step: HeatStepRow) => ({
	words: step.words,
	temp_F: step.F ?? null,
	temp_C: step.F === undefined ? null : round(cFromF(step.F)),
	minutes: step.minutes ?? null,
	...provenance(step)
});

export function shownDrying(answer: DryAnswer, row: NonNullable<DryAnswer['row']>, thickness_mm: number | undefined) {
	const { rehydrate, yields, odour } = answer;
	return {
		food: answer.food.id,
		name: answer.food.name,
		cut: row.cut,
		pretreat: row.pretreat,
		steam_minutes_range: row.steam_min,
		water_minutes_range: row.water_min,
		water_is_dip: row.dip ?? false,
		hours_range: row.hours,
		temp_F_range: row.F,
		temp_C_range: celsius(row.F),
		thickness_mm_range: row.thickness_in ? row.thickness_in.map((inches) => round(inches * 25.4)) : null,
		thickness_asked_mm: thickness_mm ?? null,
		thickness_fit: answer.fit,
		thickness_note: answer.fitWords,
		dry_test: row.test,
		heat_steps: answer.heat.map(shownStep),
		figures: answer.figures.map(shownFigure),
		rehydrate: rehydrate
			? {
					cups_water_per_cup: rehydrate.cups,
					water: rehydrate.water,
					hours: rehydrate.hours,
					...provenance(rehydrate)
				}
			: null,
		yields: yields
			? {
					fresh_kg: round(kgFromLb(yields.fresh_lb), 2),
					dried_kg: round(kgFromLb(yields.dried_lb), 2),
					pints_range: yields.pints,
					...provenance(yields)
				}
			: null,
		odour: odour ? { group: odour.name, load_alone: odour.alone, words: odour.words, ...provenance(odour) } : null,
		cuts: answer.rows.map((r) => ({ id: r.id, cut: r.cut, hours_range: r.hours, ...provenance(r) })),
		note: [row.note, row.second].filter(Boolean).join(' '),
		...provenance(row),
		recalled: recalled(row),
		cautions: answer.cautions.map((c) => c.text)
	};
}

export const shownFreezing = (answer: FreezeAnswer) => ({
	food: answer.food.id,
	name: answer.food.name,
	pack: { id: answer.pack.id, name: answer.pack.name, words: answer.pack.words, ...provenance(answer.pack) },
	cuts: answer.cuts.map((c) => ({
		cut: c.cut.id,
		name: c.cut.name,
		method: c.method,
		blanch: c.blanch.map((b) => ({ size: b.cut, method: b.method, minutes_range: b.minutes, ...provenance(b) })),
		months_range: c.months,
		why: c.why,
		use: c.cut.use,
		...provenance(c)
	})),
	refused: answer.refused.map(({ cut, refusal }) => ({
		cut: cut.id,
		reason: refusal.reason,
		instead: refusal.instead
	})),
	styles: answer.styles.map((s) => ({ id: s.id, name: s.name, words: s.words, ...provenance(s) })),
	ratios: answer.ratios.map((r) => r.id),
	headspace: answer.headspace.map(shownFigure),
	cautions: answer.cautions.map((c) => c.text)
});

const shownKeeps = (k: Keeps) => ({
	what: k.what,
	time_range: [round(k.time[0], 2), round(k.time[1], 2)],
	unit: k.unit,
	temp_C: k.at_C,
	basis: k.basis,
	at: k.at ?? null,
	note: k.note ?? null,
	...provenance(k)
});

export const shownStorage = (answer: StorageAnswer) => ({
	food: answer.food.id,
	name: answer.food.name,
	way: answer.way,
	keeps: answer.keeps.map(shownKeeps),
	wants: answer.wants
		? {
				C: answer.wants.C,
				relative_humidity: answer.wants.rh,
				weeks: answer.wants.weeks,
				note: answer.wants.note ?? null,
				...provenance(answer.wants)
			}
		: null,
	apart_from: answer.apart.map((a) => ({
		because: `${a.row.words} ${a.from.words}`,
		foods: a.names,
		...provenance(a.row)
	})),
	second_clock: answer.second.map(shownKeeps),
	cautions: answer.cautions.map((c) => c.text)
});

export function shownCooking(thing: Thing) {
	const { food } = thing;
	const answer = lookUpCooking(thing);
	return {
		food: food.id,
		name: food.name,
		inside: answer.inside ? shownStep(answer.inside) : null,
		always_cooked: answer.cooked,
		after: answer.after.map(shownStep),
		figures: answer.figures.map(shownFigure),
		thaw: answer.thaw.map(shownFigure),
		use: answer.use,
		cautions: answer.cautions.map((c) => c.text)
	};
}

function shownIngredient(i: ScaledIngredient) {
	const [range, unit] = practical(i.amount, i.unit);
	return {
		what: i.what,
		range: pair(range).map((v) => round(v, 4)),
		unit,
		metric: amountText(sayAmount(range, unit, 'metric')),
		...(litresIn(unit) === undefined ? {} : { mL_range: range.map((v) => round(v * (litresIn(unit) ?? 0) * 1000)) })
	};
}

export function shownRatio(scaled: ScaledRecipe) {
	const { recipe } = scaled;
	const quantity = ({ amount, unit }: { amount: number; unit: FigureUnit }) => ({ amount: round(amount, 3), unit });
	return {
		recipe: recipe.id,
		name: recipe.name,
		kind: recipe.kind,
		scale: recipe.scale,
		sets: round(scaled.sets, 4),
		have: quantity({ amount: scaled.have, unit: scaled.left.unit }),
		converted_from_weight: scaled.converted,
		set: scaled.set.map(shownIngredient),
		all: scaled.all.map(shownIngredient),
		makes: scaled.makes ? { range: scaled.makes.amount.map((v) => round(v, 2)), unit: scaled.makes.unit } : null,
		left: quantity(scaled.left),
		short: quantity(scaled.short),
		salt_g_range: scaled.salt_kg ? scaled.salt_kg.map((kg) => round(kg * 1000)) : null,
		words: scaled.words,
		steps: recipe.steps ?? [],
		canning_product: recipe.product ?? null,
		note: recipe.note ?? null,
		...provenance(recipe),
		recalled: recalled(recipe)
	};
}
