import type { Measured } from './cases';
import { water, pot, chilling, properties, solver, cooling, boiling } from './heat';
import { freezing, freezerWeek, outage } from './freezing';
import { balance, drying, refit } from './drying';
import { loads, gather, absorbers } from './packing';

/** Each model of docs/models.md, by the name of its plot. */
export const measured: Readonly<Record<string, () => Measured>> = {
	'boiling-point': water,
	'pot-heating': pot,
	'chill-time': chilling,
	'food-properties': properties,
	'freezing-time': freezing,
	solver,
	cooling,
	'freezer-week': freezerWeek,
	outage,
	'drying-time': drying,
	'drying-refit': refit,
	'drying-yield': balance,
	'boil-down': boiling,
	'canner-loads': loads,
	gathering: gather,
	absorber: absorbers
};
