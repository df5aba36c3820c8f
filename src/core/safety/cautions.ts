import type { FoodRow } from '../../reference/tables';
import type { SourceId } from '../../reference/sources';

export interface Caution {
	readonly id: string;
	readonly text: string;
	readonly source: SourceId;
}

const all = {
	cookVegetables: {
		id: 'cook-vegetables',
		text: 'Cook frozen vegetables before eating: blanching and freezing kill few germs.',
		source: 'fsis'
	},
	steam: {
		id: 'steam',
		text: 'Steam and boiling water burn: lid away from you, basket lifted slowly, children well back.',
		source: 'practice'
	},
	freezer: {
		id: 'freezer',
		text: 'The freezer stays at −18 °C (0 °F) or below; set it to its coldest a day before a large load.',
		source: 'nchfpFreezing'
	},
	thawedTomatoes: {
		id: 'thawed-tomatoes',
		text: 'Thawed tomatoes are never canned whole or in pieces: only as juice or cooked down, with the acid a tested recipe names.',
		source: 'usdaCanning2015'
	},
	lowAcid: {
		id: 'low-acid',
		text: 'Low in acid: never kept in a sealed jar or bag outside the cold without a tested pressure canning process. Botulism gives no sign.',
		source: 'usdaCanning2015'
	},
	authority: {
		id: 'authority',
		text: 'Your local food authority or extension service has the last word; food for sale needs licensed practice.',
		source: 'practice'
	}
} as const satisfies Record<string, Caution>;

/** What must be said beside a way of freezing this food; hot work adds the burns. */
export function freezingCautions(food: FoodRow, hotWork: boolean): Caution[] {
	const list: Caution[] = [];
	if (food.group === 'vegetable') list.push(all.cookVegetables);
	if (hotWork) list.push(all.steam);
	list.push(all.freezer);
	if (food.id === 'tomatoes') list.push(all.thawedTomatoes);
	if (food.acid.class === 'low') list.push(all.lowAcid);
	list.push(all.authority);
	return list;
}
