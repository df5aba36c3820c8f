import type { FoodRow, MeasureRow } from '../../reference/tables';

/** Every household measure of a food, one row for each form where they differ. */
export function measuresOf(food: FoodRow): { measure: string; form?: string; row: MeasureRow }[] {
	return Object.entries(food.measures).flatMap(([measure, entry]) =>
		isRow(entry) ? [{ measure, row: entry }] : Object.entries(entry).map(([form, row]) => ({ measure, form, row }))
	);
}

const isRow = (entry: MeasureRow | Readonly<Record<string, MeasureRow>>): entry is MeasureRow =>
	typeof entry.value === 'number';
