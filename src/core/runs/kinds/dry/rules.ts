import { dryingModel } from '../../../../reference/model-rules';

/** Off the dryer it cools before it goes into a jar, s: warm it sweats. */
export const coolFor_s = dryingModel.coolFor_s.value;

/** A tray is felt again after so much of its hours, and no sooner than after so many; half of it where it was nearly dry. */
export const again = { share: 0.12, least_h: 0.5, nearly: 0.5 } as const;

/** A food's first tray is weighed at these shares of its forecast: early for the curve, late for the end. */
export const weighAt: readonly number[] = [0.2, 0.45, 0.7];
