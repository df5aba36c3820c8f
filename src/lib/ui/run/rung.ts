/** Remembers what has rung, so that each clock rings once. */
export class Rung {
	readonly #keys = new Set<string>();

	/** Marks keys as rung. @returns those that had not rung before */
	add(keys: readonly string[]): string[] {
		const fresh = keys.filter((k) => !this.#keys.has(k));
		for (const key of fresh) this.#keys.add(key);
		return fresh;
	}
}
