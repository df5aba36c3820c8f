import { surfaces, wraps, type SurfaceKind, type WrapKind } from '../../reference/model-rules';
import { mustBeWithin } from '../errors';

/**
 * How well heat passes from a wrapped pack to what lies round it, W/(m² K).
 *
 *     1/h = 1/h_outside + R_wrap
 *
 * @source the rows of `surfaces` and `wraps` (common practice)
 */
export const surfaceCoefficient = (kind: SurfaceKind, wrap: WrapKind = 'none'): number =>
	1 / (1 / surfaces[kind].value + wraps[wrap].value);

/**
 * Thickness that packs freeze as when they lie on one another: their cold comes through the outer two faces only.
 *
 * @param count 1 or more; 1 is a pack that lies alone
 * @throws {DomainError} OUT_OF_RANGE
 */
export function stackedThickness_m(pack_m: number, count: number): number {
	mustBeWithin(pack_m, 0.001, 0.5, 'pack_m');
	mustBeWithin(count, 1, 50, 'count');
	return pack_m * Math.floor(count);
}
