/** An address with one choice changed, the others kept; an empty value takes the choice out. */
export function withChoice(search: string, name: string, value: string): string {
	const params = new URLSearchParams(search);
	if (value) params.set(name, value);
	else params.delete(name);
	// A container chosen for one cut need not fit another.
	if (name === 'cut') params.delete('container');
	return `?${params}`;
}
