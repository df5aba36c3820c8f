import bessel from 'bessel';
import type { Shape } from '../../reference/tables';
import { mustBePositive } from '../errors';

const { besselj } = bessel;

/** How many terms of the series: enough for four figures at any Fourier number above 0.003. */
const terms = 24;

const cached = new Map<string, { lambda: number; c: number }[]>();

/**
 * Roots and coefficients of the series for the centre of a slab, long cylinder or sphere that is put into a medium.
 *
 *     slab      λ·tan λ = Bi              C = 4 sin λ / (2λ + sin 2λ)
 *     cylinder  λ·J1(λ)/J0(λ) = Bi        C = (2/λ) · J1 / (J0² + J1²)
 *     sphere    1 − λ·cot λ = Bi          C = 4 (sin λ − λ cos λ) / (2λ − sin 2λ)
 *
 * @source Incropera and DeWitt, Fundamentals of Heat and Mass Transfer, section 5.5 and 5.6 (from memory)
 */
function series(shape: Shape, biot: number): { lambda: number; c: number }[] {
	const key = `${shape} ${biot}`;
	const known = cached.get(key);
	if (known) return known;
	const found: { lambda: number; c: number }[] = [];
	for (let k = 0; k < terms; k++) {
		const lambda = root(shape, biot, k);
		found.push({ lambda, c: coefficient(shape, lambda) });
	}
	if (cached.size > 500) cached.clear();
	cached.set(key, found);
	return found;
}

/** Each root lies in an interval of its own, where the function rises from below to above. */
function root(shape: Shape, biot: number, k: number): number {
	// Multiplied through by the denominator, so that there is no pole inside an interval.
	const f: (x: number) => number =
		shape === 'slab'
			? (x) => x * Math.sin(x) - biot * Math.cos(x)
			: shape === 'cylinder'
				? (x) => x * besselj(x, 1) - biot * besselj(x, 0)
				: (x) => (1 - biot) * Math.sin(x) - x * Math.cos(x);
	const [from, to] = bracket(shape, k);
	let low = from + 1e-9;
	let high = to - 1e-9;
	const rising = f(high) > f(low);
	for (let i = 0; i < 80; i++) {
		const middle = (low + high) / 2;
		if (f(middle) > 0 === rising) high = middle;
		else low = middle;
	}
	return (low + high) / 2;
}

function bracket(shape: Shape, k: number): [number, number] {
	if (shape === 'cylinder') return [k === 0 ? 0 : j1Zero(k), j0Zero(k + 1)];
	if (shape === 'slab') return [k * Math.PI, k * Math.PI + Math.PI / 2];
	return [k * Math.PI, (k + 1) * Math.PI];
}

/** Zeros of J0 and J1 by McMahon's expansion, polished by bisection around it. */
const j0Zero = (m: number) => besselZero(0, (m - 0.25) * Math.PI);
const j1Zero = (m: number) => besselZero(1, (m + 0.25) * Math.PI);
function besselZero(order: 0 | 1, guess: number): number {
	let low = guess - 0.4;
	let high = guess + 0.4;
	const rising = besselj(high, order) > besselj(low, order);
	for (let i = 0; i < 60; i++) {
		const middle = (low + high) / 2;
		if (besselj(middle, order) > 0 === rising) high = middle;
		else low = middle;
	}
	return (low + high) / 2;
}

function coefficient(shape: Shape, x: number): number {
	if (shape === 'slab') return (4 * Math.sin(x)) / (2 * x + Math.sin(2 * x));
	if (shape === 'sphere') return (4 * (Math.sin(x) - x * Math.cos(x))) / (2 * x - Math.sin(2 * x));
	const j0 = besselj(x, 0);
	const j1 = besselj(x, 1);
	return ((2 / x) * j1) / (j0 * j0 + j1 * j1);
}

/**
 * What is left of the first temperature difference at the centre, 1 down to 0.
 *
 * @param fourier α·t/R², R the half thickness or the radius; 0 gives 1
 * @param biot h·R/k, above 0
 * @throws {DomainError} NOT_POSITIVE
 */
export function centreLeft(shape: Shape, biot: number, fourier: number): number {
	mustBePositive(biot, 'biot');
	if (!(fourier > 0)) return 1;
	let sum = 0;
	for (const { lambda, c } of series(shape, biot)) {
		const term = c * Math.exp(-lambda * lambda * fourier);
		sum += term;
		if (Math.abs(term) < 1e-9) break;
	}
	return Math.min(1, Math.max(0, sum));
}
