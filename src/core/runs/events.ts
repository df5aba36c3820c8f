import type { StageId } from './plan';

/** Where a potful can be: before, in a stage, or out at the far end. */
export type Spot = 'waiting' | StageId | 'firm' | 'supper';

interface Base {
	/** The client's UUID: a tap sent twice counts once. */
	readonly id: string;
	/** When it happened by the tapping device's own (corrected) clock, ms. */
	readonly at: number;
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
