import type { Refusal } from '../errors';
import type { Part } from './thing';
import { understand } from './understand';

type Faulty =
	{ readonly kind: 'refused'; readonly refusal: Refusal } | { readonly kind: 'unclear'; readonly message: string };
const unclear = (message: string): Faulty => ({ kind: 'unclear', message });

/** A name, what is in it by shares that add up to 1, and the rest of the line. */
export type Mixed = { readonly parts: readonly Part[]; readonly called: string; readonly rest: string };

/**
 * `soup mix (carrots + leeks + 20 % potatoes)`: a name, and in brackets what is in it; parts without a share have the rest
 * alike.
 *
 * @returns undefined where the text has no such brackets
 */
export function takeMixture(text: string, context: { readonly today?: string }): Mixed | Faulty | undefined {
	const match = /^([^(]*)\(([^)]*\+[^)]*)\)(.*)$/u.exec(text);
	if (!match) return undefined;
	const [, name = '', inside = '', rest = ''] = match;
	const said = inside.split('+').map((s) => s.trim());
	const shares: (number | undefined)[] = [];
	const foods: { food: string; kind?: string; form: string }[] = [];
	for (const one of said) {
		const share = /^(\d{1,3}(?:[.,]\d+)?)\s*%\s*/.exec(one);
		const named = understand(share ? one.slice(share[0].length) : one, context.today, { kept: true });
		if (named.kind === 'refused') return named;
		if (named.kind !== 'thing')
			return unclear(`"${one}" is not a food I know; in brackets stands what the mixture is made of.`);
		shares.push(share ? Number((share[1] ?? '').replace(',', '.')) / 100 : undefined);
		const { food, kind, form } = named.thing;
		foods.push({ food: food.id, form, ...(kind ? { kind: kind.id } : {}) });
	}
	const told = shares.reduce<number>((sum, s) => sum + (s ?? 0), 0);
	const open = shares.filter((s) => s === undefined).length;
	if (told > 1 + 1e-9 || (open === 0 && Math.abs(told - 1) > 0.005) || (open > 0 && told >= 1))
		return unclear(`The shares come to ${Math.round(told * 100)} %. Together they are 100 %.`);
	const each = open > 0 ? (1 - told) / open : 0;
	const all = shares.map((s) => s ?? each);
	const sum = all.reduce((a, b) => a + b, 0);
	const parts = foods.map((f, i) => ({ ...f, share: (all[i] ?? 0) / sum }));
	return { parts, called: name.trim() || 'mixture', rest };
}
