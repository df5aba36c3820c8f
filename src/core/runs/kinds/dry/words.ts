import { sayTemperature, sayMeasure, sayWeight, type Units } from '../../../quantities/format';
import { sayCommon } from '../../engine/say';
import type { DryEvent } from './events';
import type { DryPlan } from './plan';

/** A tap in a few words, for "Last:". */
export function say(event: DryEvent, units: Units, plan: DryPlan | null): string {
	const n = 'subject' in event ? event.subject : undefined;
	const of = plan?.subjects.find((s) => s.n === n);
	const food = of ? `${of.food.name}, ` : '';
	const measured = (grams?: number, mL?: number) =>
		[
			...(grams === undefined ? [] : [sayWeight(grams, units)]),
			...(mL === undefined ? [] : [sayMeasure(mL, units)])
		].join(', ');
	switch (event.type) {
		case 'identified':
			return `${food}identified: ${event.words}`;
		case 'heated':
			return `${food}${sayTemperature(event.dC / 10, units)} at its centre`;
		case 'first':
			return `${food}${event.on ? 'into the heat' : 'out of the heat'}`;
		case 'load':
			return `${food}tray into place ${event.slot}, ${measured(event.grams, event.mL)}`;
		case 'scale':
			return `tray ${event.tray} weighs ${sayWeight(event.grams, units)}`;
		case 'felt':
			return `tray ${event.tray} ${event.found === 'wet' ? 'still wet' : 'nearly dry'}`;
		case 'swap':
			return `tray ${event.tray} to place ${event.slot}`;
		case 'turned':
			return 'trays turned';
		case 'pull': {
			const left = measured(event.grams, event.mL);
			return `tray ${event.tray} dry${left ? `, ${left}` : ''}`;
		}
		case 'back':
			return `tray ${event.tray} in again`;
		case 'out':
			return `tray ${event.tray} ${event.why}`;
		case 'power':
			return event.on ? 'dryer on' : 'dryer off';
		default:
			return sayCommon(event, units, food, plan?.subjects.every((s) => s.cold) ? 'pack' : 'jar');
	}
}
