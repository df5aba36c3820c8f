import { sayCount, sayWeight, type Units } from '$core/quantities/format';
import type { RunEvent } from '$core/runs/events';

const spots: Record<string, string> = {
	return: 'into the water',
	blanch: 'boil is back',
	chill: 'into the ice',
	drain: 'out of the ice',
	freeze: 'into the freezer',
	firm: 'firm',
	supper: 'for supper'
};

/** A tap in a few words, for "Last:". */
export function eventWords(event: RunEvent, units: Units): string {
	switch (event.type) {
		case 'heat-on':
			return 'pot on';
		case 'boiling':
			return 'it boils';
		case 'weigh':
			return `weighed ${sayWeight(event.grams, units)}`;
		case 'move':
			return `potful ${event.potful} ${spots[event.to]}`;
		case 'resize':
			return `potfuls of ${sayWeight(event.potful_g, units)}`;
		case 'hold':
			return event.on ? 'on hold' : 'going on';
		case 'note':
			return 'a note';
		case 'pack':
			return sayCount(event.packs, 'pack');
		case 'finish':
			return 'closed';
		case 'stop':
			return 'stopped';
		case 'undo':
			return 'taken back';
	}
}
