import { practices, wayWords } from '../../reference/other-ways';
import { foodRows } from '../../reference/tables';
import { foldName } from '../foods/fold-name';
import { kindsOf } from '../things/names';
import { allRecipes } from '../recipes/find-recipe';
import type { Entry } from './search';

const keysOf = (names: readonly string[]) => [...new Set(names.map(foldName))];

/** Everything that Tables can be asked for: foods, ways, ratios, differences of practice. */
export const tableEntries: readonly Entry[] = [
	...foodRows.map((f) => ({
		kind: 'food' as const,
		name: f.name,
		href: `/tables/${f.id}`,
		sort: f.group,
		keys: keysOf([f.id, f.name, ...f.names, ...kindsOf(f.id).flatMap((k) => k.names)])
	})),
	...wayWords.map((w) => ({
		kind: 'way' as const,
		name: w.name,
		href: `/tables/way/${w.id}`,
		sort: 'way',
		keys: keysOf([w.id, w.name])
	})),
	...allRecipes.map((r) => ({
		kind: 'ratio' as const,
		name: r.name,
		href: `/tables/ratio/${r.id}`,
		sort: r.kind.replace('-', ' '),
		keys: keysOf([r.id, r.name, ...(r.names ?? [])])
	})),
	...practices.map((p) => ({
		kind: 'question' as const,
		name: p.question,
		href: `/tables/differences#${p.id}`,
		sort: 'difference',
		keys: keysOf([p.question])
	}))
];
