declare module 'bessel' {
	/** Bessel functions of the first kind, whole order. */
	const bessel: { besselj(x: number, order: number): number };
	export default bessel;
}
