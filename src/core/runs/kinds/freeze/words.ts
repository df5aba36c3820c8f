import { sayCommon } from '../../engine/say';
import { freezingRules } from '../../../../reference/rules';
import { packedBefore } from '../../../packing/pack-style';
import { sayLength, sayTemperature, sayWeight, type Units } from '../../../quantities/format';
import type { FreezeEvent } from './events';
import type { FreezePlan, StagePlan, Subject } from './plan';

export interface StageWords {
	/** What goes on: "Blanching. Lid on." */
	readonly doing: string;
	/** What to do when it is over: "Lift into the ice". */
	readonly leave: string;
	readonly hint: string;
}

/** What a stage of a food says, made when it is shown: better words reach open runs. */
export function stageWords(subject: Subject, stage: StagePlan, units: Units, running = false): StageWords {
	const first = packedBefore(subject.style);
	const mould = subject.style === 'mould';
	switch (stage.id) {
		case 'return':
			return {
				doing: 'In the water. Lid on, full heat.',
				leave: 'The boil is back',
				hint: 'The blanching time starts when the water boils again, not before.'
			};
		case 'blanch':
			return heatWords(subject, running);
		case 'chill':
			return chillWords(subject, stage, units, running);
		case 'drain':
			return {
				doing: subject.kernels ? 'Draining; kernels come off the cob.' : 'Draining. Pat dry.',
				leave: first
					? 'Packed, into the freezer'
					: mould
						? 'Into the moulds, into the freezer'
						: 'Onto the tray, into the freezer',
				hint: 'Water left on becomes ice.'
			};
		case 'freeze':
			return {
				doing: first
					? 'In the coldest part of the freezer, spread out.'
					: `${mould ? 'In the moulds' : 'On the tray'} in the freezer.`,
				leave: first ? 'Hard: count the packs' : mould ? 'Hard: turn out, ready to bag' : 'Firm: ready to bag',
				hint: first
					? 'Look when it rings: hard right through. Not yet? Leave it in.'
					: 'Look when it rings: firm means that a piece snaps or rattles. Not yet? Leave it in.'
			};
	}
}

function heatWords({ heat, endPoint, cookWords }: Subject, running: boolean): StageWords {
	if (heat === 'cook')
		return {
			doing: 'Cooking. You judge it.',
			leave: 'Just tender: out, and cool',
			hint: `${cookWords ?? ''} The clock only counts up.`.trim()
		};
	if (heat === 'soak')
		return {
			doing: 'Standing in the hot water, off the heat.',
			leave: `Skins slip: into the ${running ? 'cold water' : 'ice'}`,
			hint: 'Pinch one: when its skin slips, all of them go into the cold. No time is printed; the clock only counts up.'
		};
	const from = { steam: 'the lid closing', dip: 'the dip', water: 'the boil coming back', none: 'the start' }[heat];
	return {
		doing: heat === 'dip' ? 'In the hot water.' : heat === 'steam' ? 'Steaming. Lid on.' : 'Blanching. Lid on.',
		leave: `Lift into the ${running ? 'cold water' : 'ice'}`,
		hint: `Counting from ${from}.${endPoint ? ` Ready ${endPoint}.` : ''} At zero: lift, let it drip, straight into the ${running ? 'running water' : 'ice'}.`
	};
}

/** A mark that is come to from above, never rounded up. */
export const sayMark = (C: number, units: Units): string =>
	sayTemperature(units === 'metric' ? Math.floor(C) : C, units);

function chillWords({ heat, kernels }: Subject, { end }: StagePlan, units: Units, running: boolean): StageWords {
	if (heat === 'none') {
		const [first, second] = end.by === 'reading' ? end.marks : [];
		return {
			doing: 'Cooling in shallow pans or ice water. Stir now and then.',
			leave: 'Cold: filled, into the freezer',
			hint:
				first && second
					? `At its centre ${sayMark(first.value, units)} within ${first.within_s / 3600} hours, ${sayMark(second.value, units)} within ${second.within_s / 3600}. Too slow? Shallower, or more ice.`
					: 'From 57 to 21 °C (135 to 70 °F) within 2 hours, to 5 °C (41 °F) within 4 more. Too slow? Shallower, or more ice.'
		};
	}
	if (heat === 'cook')
		return {
			doing: 'Cooling in cold water or spread out.',
			leave: 'Cold through: drain it',
			hint: 'Cooked food is cold within two hours: 135 to 70 °F in 2 h, to 41 °F in 4 more.'
		};
	const bath = running ? 'water' : 'ice';
	return {
		doing: running ? 'In cold running water. Stir now and then.' : 'In the ice water. Stir now and then.',
		leave: kernels
			? `Out of the ${bath}: cut the kernels`
			: heat === 'dip' || heat === 'soak'
				? `Out of the ${bath}: slip the skins`
				: `Out of the ${bath}`,
		hint: `Cold to the centre: break or bite one. The water stays under 15 °C (60 °F)${running ? '; it takes longer than ice, so it is not out when it rings but when it is cold' : ''}.`
	};
}

/** What the first stage of a potful asks for: sentence, hint, button. */
export function firstWords(
	subject: Subject,
	first: StagePlan,
	n: number,
	of: number,
	units: Units,
	grams = 0
): readonly [string, string, string] {
	const part = (one: string, each: string) => (of > 1 ? `${each} ${n}` : one);
	if (first.id === 'return')
		return [`Potful ${n} into the boiling water.`, 'Basket in, lid on, full heat.', 'It is in'];
	if (subject.heat === 'soak')
		return [
			`Potful ${n} into the boiling water, heat off.`,
			'Lid on. Back to a boil before the next potful.',
			'It is in'
		];
	if (first.resource === 'pot') return [`Potful ${n} into the pot.`, 'Lid on.', 'It is in'];
	if (first.id === 'chill')
		return [`${part('All of it', 'Part')} into the cold.`, stageWords(subject, first, units).doing, 'It is cooling'];
	switch (subject.style) {
		case 'wrap':
			return [
				`Wrap ${part('it', 'part')} in portions, into the freezer.`,
				'Air pressed out, labels on first, spread out to freeze.',
				'In the freezer'
			];
		case 'liquid':
			if (subject.sugar) return sugarWords(subject, subject.sugar, part('it', 'part'), grams, units);
			return [
				`Fill ${part('the portions', 'part')}, into the freezer.`,
				`Labels on first. ${subject.headspace}.`,
				'In the freezer'
			];
		case 'flat':
			return [
				`Bag ${part('it', 'part')} in portions and lay it flat, into the freezer.`,
				`Labels on first, air pressed out, ${sayLength(freezingRules.flatPack_m.value, units)} thick.`,
				'In the freezer'
			];
		case 'mould':
			return [
				`${part('Fill the moulds with it', 'Moulds, filling')}, into the freezer.`,
				'Level, and flat in the freezer.',
				'In the freezer'
			];
		case 'tray':
			return [
				`${part('Spread it', 'Trayful')} on the trays, into the freezer.`,
				'One layer, lined, not touching.',
				'In the freezer'
			];
	}
}

/** Sugar by the weight that is there, then filled. */
const sugarWords = (
	{ headspace }: Subject,
	sugar: NonNullable<Subject['sugar']>,
	what: string,
	grams: number,
	units: Units
) =>
	[
		`${sayWeight(Math.round((grams / 1000) * sugar.g_per_kg), units)} of sugar over ${what}; fill, into the freezer.`,
		`${sugar.with ? `With the ${sugar.with}. ` : ''}Stir gently, let it stand until the juice runs and the sugar is dissolved. Labels on first. ${headspace}.`,
		'In the freezer'
	] as const;

/** What a unit of a food is called: of what never sees a pot, a part. */
export const unitName = (subject: Subject): string =>
	subject.pot !== null || subject.heat === 'cook' ? 'potful' : 'part';

const spotWords: Record<string, string> = {
	return: 'into the water',
	blanch: 'boil is back',
	chill: 'into the ice',
	drain: 'out of the ice',
	fridge: 'into the fridge',
	freeze: 'into the freezer',
	firm: 'firm',
	supper: 'for supper'
};

/** A tap in a few words, for "Last:". */
export function say(event: FreezeEvent, units: Units, plan: FreezePlan | null): string {
	const n = 'subject' in event ? event.subject : undefined;
	const of = plan?.subjects.find((s) => s.n === n);
	const food = of ? `${of.food.name}, ` : '';
	switch (event.type) {
		case 'heat-on':
			return 'pot on';
		case 'boiling':
			return 'it boils';
		case 'water':
			return 'water topped up';
		case 'move':
			return `${food}potful ${event.potful} ${spotWords[event.to]}`;
		case 'resize':
			return `${food}potfuls of ${sayWeight(event.potful_g, units)}`;
		case 'replan':
			return `${food}potfuls of ${sayWeight(event.next_g, units)}`;
		case 'ice':
			return `ice: ${sayWeight(event.grams, units)}`;
		case 'running':
			return event.on ? 'in running water' : 'in ice again';
		case 'order':
			return 'another order';
		case 'reading':
			return `${food}${sayTemperature(event.dC / 10, units)}`;
		default:
			return sayCommon(event, units, food);
	}
}
