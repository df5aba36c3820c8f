import { freezingRules } from '../../reference/rules';
import type { Shape } from '../../reference/tables';
import { mustBePositive } from '../errors';

/** Volume over shadow of one piece, as a share of its size. */
const depth: Record<Shape, number> = { slab: 1, cylinder: Math.PI / 4, sphere: 2 / 3 };

/**
 * What a tray takes in one layer, pieces not touching, kg to the m².
 *
 *     m/A = cover · ρ · (volume/shadow) — slab t, cylinder πd/4, sphere 2d/3
 *
 * @param size_m thickness or diameter, above 0
 * @param density_kg_m3 of the food itself, about 950 to 1050 for wet produce
 * @throws {DomainError} NOT_POSITIVE
 * @source geometry; cover by common practice
 */
export function trayLoad_kg_m2(shape: Shape, size_m: number, density_kg_m3 = 1000): number {
	mustBePositive(size_m, 'size_m');
	mustBePositive(density_kg_m3, 'density_kg_m3');
	return freezingRules.trayCover.value * density_kg_m3 * depth[shape] * size_m;
}
