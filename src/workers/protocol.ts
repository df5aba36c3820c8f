import type { FreezerInput, FreezerLoad, FreezerPlan } from '$core/freezing/freezer-week';
import type { FreezingCurve, FreezingCurveInput } from '$core/heat/freezing-curve';
import type { Refusal } from '$core/errors';

export type OnProgress = (share: number) => void;
export type CurveAsk = Omit<FreezingCurveInput, 'onProgress'>;
export type FreezerAsk = Omit<FreezerInput, 'loads' | 'onProgress'> & { readonly load: FreezerLoad };

/** What the worker of the models can be asked. It works on one thing at a time; ending the worker stops it. */
export interface Models {
	curves(asks: readonly CurveAsk[], onProgress: OnProgress): FreezingCurve[];
	freezer(ask: FreezerAsk, onProgress: OnProgress): FreezerPlan | Refusal;
}
