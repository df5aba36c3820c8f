/** What of the package's functions is used here; it ships no types. */
declare module 'jstat' {
	interface Jstat {
		/** x at which the regularised incomplete beta function of shapes a, b is p. */
		ibetainv(p: number, a: number, b: number): number;
		studentt: { inv(p: number, dof: number): number };
	}
	const jstat: { readonly jStat: Jstat };
	export default jstat;
}
