import { distance } from 'fastest-levenshtein';
import { foodRows, type FoodRow } from '../../reference/tables';
import { foldName } from './fold-name';

export { foldName };

const byName = new Map<string, FoodRow>();
for (const food of foodRows) {
	const kinds = (food.traits ?? []).flatMap((t) => t.names);
	for (const name of [food.id, food.name, ...food.names, ...kinds]) byName.set(foldName(name), food);
}

/** The food of this id, or undefined. */
export const foodById = (id: string): FoodRow | undefined => byId.get(id);
const byId = new Map(foodRows.map((f) => [f.id, f]));

/** The food with exactly this name, one of its other names, or their plain plural. */
export function findFood(text: string): FoodRow | undefined {
	const key = foldName(text);
	return byName.get(key) ?? byName.get(key.replace(/s$/, '')) ?? byName.get(`${key}s`);
}

/** Names that were probably meant, nearest first, each food once. Cost: one comparison per known name and word. */
export function nearFoods(text: string, most = 3): FoodRow[] {
	const key = foldName(text);
	if (key.length < 2) return [];
	const whole = scores(key);
	// "aspargus tips": no name is near the whole of it, one is near a word of it.
	const words = whole.size > 0 ? [] : key.split(' ').filter((word) => word.length > 3);
	for (const word of words) for (const [food, score] of scores(word)) whole.set(food, score);
	return [...whole].sort((a, b) => a[1] - b[1]).slice(0, most).map(([food]) => food); // prettier-ignore
}

/** Foods whose names hold the text, or differ from it by a third of its letters at most. */
function scores(key: string): Map<FoodRow, number> {
	const scored = new Map<FoodRow, number>();
	const reach = Math.max(1, Math.floor(key.length / 3));
	for (const [name, food] of byName) {
		const inside = name.includes(key) || (key.length > 3 && name.length > 2 && key.includes(name));
		if (!inside && Math.abs(name.length - key.length) > reach) continue;
		const score = inside ? 0.5 + Math.abs(name.length - key.length) / 50 : distance(key, name);
		if (inside || score <= reach) scored.set(food, Math.min(score, scored.get(food) ?? Infinity));
	}
	return scored;
}

/** The longest food name at the start of the text, and what follows it. */
export function leadingFood(text: string): { food: FoodRow; called: string; rest: string } | undefined {
	const words = text.trim().split(/\s+/);
	for (let n = Math.min(words.length, 5); n > 0; n--) {
		const called = words.slice(0, n).join(' ');
		const food = findFood(called);
		if (food) return { food, called, rest: words.slice(n).join(' ') };
	}
	return undefined;
}
