import { meatRules } from '../../../../reference/breakdown';
import { frozenFirst_h, sealedRaw, sealRules } from '../../../../reference/sealing';
import { sources } from '../../../../reference/sources';
import type { Refusal } from '../../../errors';
import { bagCut, type Item } from '../../../packing/bags';
import { sayDuration, sayLength } from '../../../quantities/format';
import { advise } from '../../../safety/advise';
import { isMeat } from '../../../safety/dry';
import type { Thing } from '../../../things/thing';
import { coreVersion } from '../../../version';
import type { SealerSpec } from '../../../ways/equipment';
import type { Kitchen } from '../../../ways/kitchen';
import { kitPart } from '../kit/make';
import { mostRounds } from './events';
import type { SealPlan, SealRound } from './plan';

export interface SealChosen {
	readonly lotId: string;
	readonly thing: Thing;
	readonly called: string;
	readonly raw_g: number;
	/** Out of the cold so far, over every place that it has stood in, ms. */
	readonly warm_ms: number;
	/** Where it stands; what needs the cold is not begun from a warm place. */
	readonly place: { readonly name: string; readonly C: number };
	/** Its label's date, or the end of its clock: "2027-03-01". */
	readonly keepsUntil: string;
	readonly pack_g: number;
	/** One piece, m; a bag off the roll is cut by it. */
	readonly item: Item | null;
	/** Null: nobody has said which there is, and it draws no liquid. */
	readonly sealer: SealerSpec | null;
	/** A choice for what need not be frozen first: firm edges seal better. */
	readonly firmFirst: boolean;
}

/** Gives off gas, or is asleep no longer: nothing to be closed in. */
const alive: ReadonlySet<string> = new Set(['fermented', 'sprouted', 'pickled', 'in-oil', 'canned', 'opened']);

/** What is closed in without more ado: meat, and what is cooked, frozen or dried. */
export const sealedAsIs = ({ state, food }: Thing): boolean =>
	state === 'cooked' || state === 'frozen' || state === 'dried' || (isMeat(food) && !alive.has(state));

/** 40 °F (USDA FSIS, from memory), with the play of a thermometer. */
const fridgeMost_C = 5;

/** At the table in one go (common practice: 20 to 30 minutes, the lower end), and what a pack takes of hands, s. */
const atTable_s = sealRules.atTable_s.value;
const fill_s = sealRules.fill_s.value;
const draw_s = sealRules.draw_s.value;

/** Rounds that are alike, each short enough at the table; of what needs no cold there is one. */
export function roundsOf(packs: number, underClock: boolean): SealRound[] {
	const count = underClock ? Math.min(mostRounds, Math.max(1, Math.ceil((packs * (fill_s + draw_s)) / atTable_s))) : 1;
	const n = Math.min(count, Math.max(1, packs));
	return Array.from({ length: n }, (_, i) => ({
		n: i + 1,
		packs: Math.floor(packs / n) + (i < packs % n ? 1 : 0)
	}));
}

/** What is frozen first, how, for how long (common practice, vacuum sealer makers). Null: it goes in as it is. */
function firstOf({ thing, sealer, firmFirst }: SealChosen, liquid: boolean): SealPlan['subjects'][0]['first'] {
	if (thing.state === 'frozen' || thing.state === 'dried') return null;
	if (liquid)
		return sealer?.chamber ? null : { how: 'in moulds or boxes, until it is a block', hours: frozenFirst_h.liquid };
	if (!isMeat(thing.food) && thing.state !== 'cooked')
		return { how: 'on a tray, in one layer, until they are hard', hours: frozenFirst_h.pieces };
	return firmFirst && !sealer?.chamber
		? { how: 'on a tray, until its edges are stiff', hours: frozenFirst_h.meat }
		: null;
}

/**
 * Freezes a sealing into the plan of a run: what may be closed without air, where it then stands, how it is made ready, how many
 * bags and how long, and in how many goes.
 *
 * @returns the plan; or why it is not begun: alive, moist for the shelf, or a vegetable that wants its blanch first
 * @throws {DomainError} NOT_POSITIVE, OUT_OF_RANGE: a piece beyond all measure
 */
export function planSeal(chosen: SealChosen, kitchen: Kitchen, now: number): SealPlan | Refusal {
	const { thing, called, lotId, raw_g, pack_g } = chosen;
	if (alive.has(thing.state))
		return {
			kind: 'refused',
			reason: `${called}: what is ${thing.state} is not closed in without air: what lives in it gives off gas, and what keeps it is its jar, its brine or its oil's cold.`,
			source: sources.practice.title,
			instead: ['It stays in its own jar, as it is', 'Drained and frozen, it can be sealed hard frozen']
		};
	const dried = thing.state === 'dried';
	const place = dried && advise(thing, 'vacuum', { place: 'room' }).kind !== 'refused' ? 'pantry' : 'freezer';
	const advice = advise(thing, 'vacuum', { place: place === 'pantry' ? 'room' : 'freezer' });
	if (advice.kind === 'refused') return advice;
	const read = kitPart({ lotId, thing, called, free_g: raw_g, keepsUntil: chosen.keepsUntil }, kitchen, now);
	// Raw, most vegetables turn in weeks, and the cabbage kin swell the bag with gas (vacuum sealer makers, common practice).
	const raw = thing.state === 'fresh' || thing.state === 'prepared';
	const blanched = raw && !sealedRaw.has(thing.food.id) && thing.food.cuts.some((c) => c.blanch?.length);
	// Its own reason, where the tables have one: too old, kept already, never frozen.
	if (read.kind === 'refused' && read.rule !== undefined) return read;
	if (read.kind === 'refused' || blanched)
		return {
			kind: 'refused',
			reason: `${called} are not sealed raw: without their heat they turn, and some swell the bag with gas.`,
			source: sources.practice.title,
			instead: [`Freeze ${called} by their own way at the Stove first; hard frozen they are sealed as they are`]
		};
	const liquid = read.liquid;
	const first = firstOf(chosen, liquid);
	const ready_g = Math.max(1, Math.round(raw_g * read.share));
	const packs = Math.max(1, Math.round(ready_g / pack_g));
	// A brittle dry thing goes into a jar; what is for the freezer into bags.
	const jar = place === 'pantry' ? kitchen.containers.find((c) => c.kind === 'jar') : undefined;
	const underClock = !dried;
	const cold =
		thing.food.perishable === true || isMeat(thing.food) || thing.state === 'cooked' || thing.state === 'frozen';
	const hot = kitchen.room_C > meatRules.hotRoom_C.value;
	const limit_h = hot ? meatRules.outOfColdHot_h.value : meatRules.outOfCold_h.value;
	if (cold && underClock && (chosen.place.C > fridgeMost_C || chosen.warm_ms >= limit_h * 3_600_000))
		return {
			kind: 'refused',
			reason:
				chosen.warm_ms >= limit_h * 3_600_000
					? `${called} have been out of the cold for ${sayDuration(chosen.warm_ms / 1000)} in all: that is too long to be packed as they are.`
					: `${called} stand in ${chosen.place.name}, out of the cold: their time runs before the first bag is filled.`,
			source: sources.fsis.title,
			instead:
				chosen.warm_ms >= limit_h * 3_600_000
					? ['Cooked through at once, or out with it']
					: ['Into the fridge first, cold through, then lot by lot to the table']
		};
	const hands_s = packs * (fill_s + draw_s) + sealRules.setUp_s.value;
	const { cut, words } = bagFor(chosen, kitchen, place === 'pantry', packs);
	return {
		core: coreVersion,
		kind: 'seal',
		version: 1,
		units: kitchen.units,
		rounds: roundsOf(packs, underClock && cold),
		out_h: underClock && cold ? limit_h : null,
		warm_ms: underClock && cold ? Math.round(chosen.warm_ms) : 0,
		subjects: [
			{
				n: 1,
				lotId,
				raw_g,
				food: { id: thing.food.id, name: called },
				form: thing.form,
				load_g: ready_g,
				portion_g: Math.round(ready_g / packs),
				container: jar ? { id: jar.id, name: jar.name } : null,
				months: [0, read.months],
				use: useOf(thing),
				source: `${read.source} · ${sources.practice.short}`,
				cautions: [
					...new Set([
						...words,
						'Vacuum takes away the air, and with it frost and rancid fat. It kills nothing, replaces no blanching, no cold and no canner, and makes no date later than the food’s own.',
						...advice.cautions.map((c) => c.text),
						...read.cautions
					])
				],
				byproducts: [],
				expected: { hands_s, elapsed_s: hands_s + (first ? first.hours[1] * 3600 : 0) },
				state: place === 'pantry' ? 'dried' : dried ? 'dried' : 'frozen',
				was: thing.state,
				place,
				until: read.until,
				prepare: dried || thing.state === 'frozen' ? '' : read.prepare,
				first,
				packs,
				cut,
				into: place === 'pantry' ? 'jar' : 'bag'
			}
		]
	};
}

/** A vacuum pack of fish or meat is opened before it thaws (NCHFP and FDA, from memory). */
function useOf(thing: Thing): string {
	if (thing.state === 'dried') return isMeat(thing.food) ? 'From the freezer; opened, it is kept cold.' : '';
	if (isMeat(thing.food))
		return `Thaw in the fridge, the pack opened first.${thing.state === 'cooked' ? '' : ' Cook through.'}`;
	return thing.state === 'cooked' ? 'Heat through; thawed in the fridge, the pack opened.' : 'From frozen.';
}

function bagFor(
	{ item, sealer }: SealChosen,
	kitchen: Kitchen,
	jar: boolean,
	packs: number
): { cut: SealPlan['subjects'][0]['cut']; words: string[] } {
	if (!item || jar) return { cut: null, words: [] };
	const rolls = kitchen.supplies.filter((s) => s.kind === 'roll');
	const widths = [...new Set([...(sealer?.rolls_m ?? []), ...rolls.map((r) => r.size / 1000)])];
	const cut = bagCut(item, widths);
	if (cut.roll === undefined && widths.length > 0)
		return {
			cut: null,
			words: [
				`None of the rolls is wide enough for such a piece: it wants ${sayLength(cut.width_m, kitchen.units)} flat.`
			]
		};
	const roll = rolls.find((r) => Math.abs(r.size / 1000 - (cut.roll ?? 0)) < 0.001);
	// Said before the first one is filled: the usual failure is a roll that ends.
	const wants_cm = Math.ceil(cut.cut_m * 100 * packs);
	const short =
		roll && roll.amount < wants_cm
			? [
					`${roll.name} is short: ${sayLength(wants_cm / 100, kitchen.units)} are wanted, ${sayLength(roll.amount / 100, kitchen.units)} are there.`
				]
			: [];
	return { cut: { length_m: cut.cut_m, width_m: cut.roll ?? cut.width_m, roll: roll?.name ?? '' }, words: short };
}
