import type { SourceId } from './sources';

/** What is said beside an allowed way. Each defers to the last line. */
export const cautionTexts = {
	'cook-vegetables': {
		text: 'Cook frozen vegetables before eating: blanching and freezing kill few germs.',
		source: 'fsis'
	},
	steam: {
		text: 'Steam and boiling water burn: lid away from you, basket lifted slowly, children well back.',
		source: 'practice'
	},
	freezer: {
		text: 'The freezer stays at −18 °C (0 °F) or below; set it to its coldest a day before a large load.',
		source: 'nchfpFreezing'
	},
	'thawed-tomatoes': {
		text: 'Thawed tomatoes are never canned whole or in pieces: only as juice or cooked down, with the acid a tested recipe names.',
		source: 'usdaCanning2015'
	},
	'low-acid': {
		text: 'Low in acid: never kept in a sealed jar or bag outside the cold without a tested pressure canning process. Botulism gives no sign.',
		source: 'usdaCanning2015'
	},
	'raw-meat': {
		text: 'Raw meat, poultry and fish: out of the cold two hours at most, one above 32 °C (90 °F), own board and knife, hands washed.',
		source: 'fsis'
	},
	thaw: {
		text: 'Thaw in the fridge, in cold water changed every 30 minutes, or cook from frozen; never on the counter.',
		source: 'fsis'
	},
	'vacuum-thaw': { text: 'A vacuum pack of fish or meat is opened before it thaws.', source: 'nchfpStoring' },
	'cool-fast': {
		text: 'Cool cooked food from 57 to 21 °C (135 to 70 °F) within 2 hours and to 5 °C (41 °F) within 4 more; reheat to 74 °C (165 °F).',
		source: 'foodCode2022'
	},
	'wild-mushrooms': {
		text: 'Wild mushrooms: only what an expert has identified, always cooked, a little at first, never canned.',
		source: 'practice'
	},
	elder: {
		text: 'Elder: leaves, stems and green berries are toxic; ripe berries are always heated before eating.',
		source: 'practice'
	},
	rhubarb: { text: 'Rhubarb leaves are poisonous: stalks only.', source: 'usdaCanning2015' },
	'infused-oil': {
		text: 'Garlic, herbs or vegetables in oil: fridge and 4 days at the most, or frozen; never on the shelf.',
		source: 'nchfpStoring'
	},
	'kidney-beans': {
		text: 'Kidney beans are toxic until they have boiled hard for 10 minutes; a slow cooker alone is not enough.',
		source: 'practice'
	},
	game: {
		text: 'Wild game is cooked to 71 °C (160 °F); freezing does not kill every worm of bear and other wild meat.',
		source: 'fsisTemperatures'
	},
	'sound-only': {
		text: 'Soft, split or bruised: only sound produce goes into jars; cut the flawed pieces into a dish for today, or freeze them.',
		source: 'usdaCanning2015'
	},
	botulism: {
		text: 'Low in acid: only this tested pressure process makes it safe. Botulism gives no sign; an underprocessed jar can kill.',
		source: 'usdaCanning2015'
	},
	'pressure-lost': {
		text: 'If the pressure falls below the mark, bring it back and start the full time again.',
		source: 'usdaCanning2015'
	},
	vent: {
		text: 'Vent 10 minutes of steady steam before the weight goes on; let the pressure fall by itself, never force it; wait 10 minutes more before the lid.',
		source: 'usdaCanning2015'
	},
	'boil-lost': {
		text: 'If the water stops boiling, bring it back and start the full time again; the water stays an inch over the lids.',
		source: 'usdaCanning2015'
	},
	acid: {
		text: 'The acid goes into every jar in full, also under pressure: bottled lemon juice or citric acid, never fresh juice.',
		source: 'usdaCanning2015'
	},
	'tested-recipe': {
		text: 'The time holds for the tested recipe only: nothing added, no acid or salt taken out, no larger pieces.',
		source: 'usdaCanning2015'
	},
	altitude: {
		text: 'Times and pressures are for the altitude of this kitchen; elsewhere look them up again.',
		source: 'usdaCanning2015'
	},
	'jar-size': { text: 'Never a larger jar than the tested one; new flat lids, sound rims.', source: 'usdaCanning2015' },
	'cool-jars': {
		text: 'Cool the jars undisturbed 12 to 24 hours, check each seal, take the bands off; an unsealed jar goes into the fridge or is reprocessed within 24 hours.',
		source: 'usdaCanning2015'
	},
	'boil-in-doubt': {
		text: 'In doubt about a low-acid jar, boil the food 10 minutes before tasting, a minute more for each 1,000 ft. Bulging, leaking, spurting or off: never taste, destroy it.',
		source: 'usdaCanning2015'
	},
	burns: {
		text: 'A canner holds steam and scalding jars: never leave a pressure canner, never open it under pressure, lid away from you.',
		source: 'practice'
	},
	'jerky-heat': {
		text: 'Dried meat: heated to 71 °C (160 °F), poultry to 74 °C (165 °F), before drying, then dried at 54 to 60 °C (130 to 140 °F) or above.',
		source: 'fsisJerky'
	},
	'meat-frozen': {
		text: 'Home-dried meat goes into the freezer; in the fridge for a short time. Vacuum makes nothing safe.',
		source: 'fsisJerky'
	},
	'dry-dry': {
		text: 'Dry until there is no moist spot; condition fruit 7 to 10 days; a jar that clouds goes back to the dryer.',
		source: 'nchfpDrying'
	},
	vacuum: {
		text: 'Vacuum does not replace cold: what needs the fridge or freezer still does.',
		source: 'nchfpStoring'
	},
	'freeze-dry': {
		text: 'Freeze-drying kills no germs: what was raw stays raw until it is cooked.',
		source: 'nchfpStoring'
	},
	absorber: {
		text: 'An absorber takes oxygen, not moisture: only for food dry to 10 % or below and low in fat, never sugar or salt.',
		source: 'extensionOxygen'
	},
	ferment: {
		text: 'Full salt by weight, everything under the brine, 21 to 24 °C; slimy, pink or foul: thrown away.',
		source: 'usdaCanning2015'
	},
	smoke: {
		text: 'Smoke does not preserve by itself: eaten hot at its safe temperature, or kept cold.',
		source: 'fsisTemperatures'
	},
	store: { text: 'Look it over every week or two: one that rots takes others with it.', source: 'practice' },
	fridge: { text: 'The fridge stays at 4 °C (40 °F) or below.', source: 'fsis' },
	authority: {
		text: 'Your local food authority or extension service has the last word; food for sale needs licensed practice.',
		source: 'practice'
	}
} as const satisfies Record<string, { readonly text: string; readonly source: SourceId }>;
