import type { Stamped } from './engine/order';
import type { StageId } from './plan';

/** Where a potful can be: before, in a stage, or out at the far end. */
export type Spot = 'waiting' | StageId | 'firm' | 'supper';

interface Base extends Stamped {
	/** Said again after it was asked about: an unlikely figure that is right. */
	readonly sure?: true;
}

export type RunEvent = Base &
	(
		| { readonly type: 'heat-on' }
		| { readonly type: 'boiling' }
		| { readonly type: 'weigh'; readonly grams: number }
		| { readonly type: 'move'; readonly potful: number; readonly to: Exclude<Spot, 'waiting'> }
		| { readonly type: 'resize'; readonly potful_g: number }
		| { readonly type: 'hold'; readonly on: boolean }
		| { readonly type: 'note'; readonly text: string }
		| {
				readonly type: 'pack';
				readonly packs: number;
				readonly pack_g: number;
				readonly containerId: string | null;
				readonly placeId: string;
		  }
		| { readonly type: 'finish' }
		| { readonly type: 'stop'; readonly reason: string }
		| { readonly type: 'undo'; readonly target: string }
	);

export type RunEventType = RunEvent['type'];
