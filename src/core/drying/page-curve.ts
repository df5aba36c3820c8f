import { dryingModel } from '../../reference/model-rules';
import { DomainError, mustBeWithin } from '../errors';

/**
 * Weight of a food that dries, as a share of its start, by Page's curve through a known end.
 *
 *     MR(t) = MR_end^((t/t_end)^n),  MR = (X − X_e)/(X_0 − X_e), X kg of water to a kg of solids
 *
 * n = 1 is Lewis. @source Page 1949; Lewis 1921 (from memory)
 */
export function weightShare(input: {
	readonly t_h: number;
	readonly end_h: number;
	readonly moistureIn: number;
	readonly moistureOut: number;
	readonly power?: number;
}): number {
	const { X0, Xe, left } = pageEnds(input.moistureIn, input.moistureOut);
	if (!(input.end_h > 0)) throw new DomainError('NOT_POSITIVE', 'end_h', 'end_h must be above 0.');
	const ratio = left ** (Math.max(0, input.t_h / input.end_h) ** (input.power ?? 1));
	return (1 + Xe + (X0 - Xe) * ratio) / (1 + X0);
}

/** Water to solids at the start and in the long run, and the share of the difference that is left when it is done. */
export function pageEnds(moistureIn: number, moistureOut: number): { X0: number; Xe: number; left: number } {
	mustBeWithin(moistureIn, 0.2, 0.98, 'moistureIn');
	mustBeWithin(moistureOut, 0.05, moistureIn - 0.01, 'moistureOut');
	const X0 = moistureIn / (1 - moistureIn);
	const Xt = moistureOut / (1 - moistureOut);
	const Xe = dryingModel.equilibrium.value;
	return { X0, Xe, left: (Xt - Xe) / (X0 - Xe) };
}
