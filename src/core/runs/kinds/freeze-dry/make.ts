import { sources } from '../../../../reference/sources';
import type { Range } from '../../../../reference/tables';
import type { Refusal } from '../../../errors';
import { bulkOf } from '../../../foods/cuts';
import { shareLeft } from '../../../foods/share';
import { figureById } from '../../../freezing/freeze-look-up';
import { absorberFor } from '../../../packing/absorber';
import { cFromF } from '../../../quantities/units';
import { sayLength } from '../../../quantities/format';
import { advise } from '../../../safety/advise';
import { isMeat } from '../../../safety/dry';
import { keepsAt } from '../../../things/clock';
import type { Thing } from '../../../things/thing';
import { coreVersion } from '../../../version';
import type { Kitchen, KitchenFreezeDryer } from '../../../ways/kitchen';
import type { FreezeDryPlan, FreezeDrySubject } from './plan';

export interface FreezeDryAsk {
	readonly lotId: string;
	readonly thing: Thing;
	readonly called: string;
	readonly raw_g: number;
}

function range(id: string): Range {
	const { value } = figureById(id);
	return typeof value === 'number' ? [value, value] : value;
}

/** Cooked by nature, whatever state it is in. */
const cookedIds = new Set(['cooked-chicken', 'cooked-meat']);
/** On its label: it goes where the screen does not. */
const rawWords = 'Raw: never eaten dry, cooked through when its water is back.';

/** Forms that lie on a tray as one wet layer. */
const wetForms = /puree|purée|sauce|juice|mash|soup|stock|stew|jam|yog|beaten|liquid|milk/i;

/** How a lot lies on the trays of a freeze-dryer; refused by the one safety module. */
export function onTrays(
	ask: FreezeDryAsk,
	kitchen: Kitchen,
	machine: KitchenFreezeDryer
): (Omit<FreezeDrySubject, 'n' | 'trays'> & { readonly traysNeeded: number }) | Refusal {
	const { thing, raw_g, called } = ask;
	const advice = advise(thing, 'freeze-dry');
	if (advice.kind === 'refused') return advice;
	const [cut] = thing.food.cuts;
	const load_g = Math.max(1, Math.round(raw_g * (cut ? shareLeft(thing, cut) : 1)));
	const water = thing.food.composition.water / 100;
	const final = range('freeze-dry/final')[1] / 100;
	const dry_g = Math.max(1, Math.round((load_g * (1 - water)) / (1 - final)));
	const wet = wetForms.test(`${thing.form} ${called}`) || thing.food.group === 'stock' || thing.food.group === 'dish';
	const cookedFood =
		thing.state === 'cooked' ||
		thing.food.group === 'dish' ||
		thing.food.group === 'stock' ||
		cookedIds.has(thing.food.id);
	const meat = isMeat(thing.food) || cookedIds.has(thing.food.id);
	// Raw it was, and raw it is: whatever spoils and was not cooked, meat, fish, eggs.
	const raw = !cookedFood && (meat || thing.food.perishable === true);
	const dried: Thing = { ...thing, state: 'dried' };
	const keeps = keepsAt(dried, meat ? 'freezer' : 'pantry', meat ? kitchen.freezer_C : kitchen.pantry_C);
	const months = Math.max(1, Math.floor(keeps.days[1] / 30.4));
	const litres = kitchen.containers.find((c) => c.volume_mL >= 900 && c.volume_mL <= 1100);
	const volume_L = litres ? litres.volume_mL / 1000 : 0.946;
	const absorber = absorberFor({ food: thing.food, volume_L, lies: 'light', moisture: range('freeze-dry/final')[1] });
	// A tray takes its share of what the machine takes at once.
	const tray_g = (machine.load_kg * 1000) / machine.trays;
	const hands_s = (load_g / 1000) * 420 + 900;
	const [low, high] = range('freeze-dry/hours');
	// What it fills when it is dry: a piece keeps its size and loses its weight, so a jar holds what it held of fresh, less the water.
	const jar_g = Math.max(5, Math.round(volume_L * bulkOf(thing.food, thing.form) * 1000 * (dry_g / load_g)));
	return {
		lotId: ask.lotId,
		raw_g,
		food: { id: thing.food.id, name: called },
		form: thing.form,
		load_g,
		portion_g: Math.min(jar_g, dry_g),
		container: litres ? { id: litres.id, name: litres.name } : null,
		months: [months, months],
		use: raw ? rawWords : cookedFood ? 'Eaten at once when its water is back.' : 'Or as it is, dry.',
		source: `${sources[advice.cautions[0]?.source ?? 'practice'].short}; hours and trays: common practice`,
		cautions: advice.cautions.map((c) => c.text),
		byproducts: [],
		expected: { hands_s, elapsed_s: (((low + high) / 2) * (wet ? 1.5 : 1) + 10) * 3600 },
		prepare: cut?.prepare ?? 'Clean, in even pieces.',
		wet,
		frozen: thing.state === 'frozen',
		dry_g,
		cold: meat,
		asItWas: raw
			? `It was raw and still is: no germ dies of it. ${rawWords}`
			: cookedFood || thing.food.perishable
				? 'With its water back it is cooked food again: eaten at once, or two hours at most.'
				: '',
		absorber:
			absorber.kind === 'absorber'
				? `Absorber: ${absorber.count > 1 ? `${absorber.count} × ` : ''}${absorber.size_cc} cc to a quart.`
				: 'No absorber for this one.',
		traysNeeded: Math.max(1, Math.ceil(load_g / tray_g - 0.02))
	};
}

/** Freezes lots into the plan of one load; more trays than the machine has are refused. */
export function planFreezeDry(asks: readonly FreezeDryAsk[], kitchen: Kitchen): FreezeDryPlan | Refusal {
	const machine = kitchen.freezeDryer;
	const no = (reason: string, instead: string): Refusal => ({
		kind: 'refused',
		reason,
		source: sources.practice.title,
		instead: [instead]
	});
	if (!machine) return no('There is no freeze-dryer in the Kitchen yet.', 'Say it in the Kitchen, with its trays');
	const reads = [];
	for (const ask of asks) {
		const read = onTrays(ask, kitchen, machine);
		if ('kind' in read) return read;
		reads.push(read);
	}
	// What is wet through comes last: its tray is the one to watch.
	reads.sort((a, b) => Number(a.wet) - Number(b.wet));
	let next = 1;
	const subjects = reads.map(({ traysNeeded, ...subject }, i): FreezeDrySubject => {
		const trays = Array.from({ length: traysNeeded }, () => next++);
		return { ...subject, n: i + 1, trays };
	});
	if (next - 1 > machine.trays)
		return no(
			`That is ${next - 1} trays, and the ${machine.name} has ${machine.trays}.`,
			`Take ${machine.load_kg} kg in all, the rest in a second load`
		);
	const [low, high] = range('freeze-dry/tray-depth');
	const [soon, late] = range('freeze-dry/pack-by');
	return {
		core: coreVersion,
		kind: 'freeze-dry',
		version: 1,
		units: kitchen.units,
		subjects,
		machine: { name: machine.name, trays: machine.trays, load_kg: machine.load_kg },
		hours: range('freeze-dry/hours'),
		apart_s: range('freeze-dry/test-weight')[0] * 3600,
		pack_s: [soon * 60, late * 60],
		depth: `${sayLength(low * 0.0254, kitchen.units)} to ${sayLength(high * 0.0254, kitchen.units)} deep at the most`,
		prefreeze_C: cFromF(range('freeze-dry/prefreeze')[0])
	};
}
