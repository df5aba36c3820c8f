import {
	boilDownModel,
	cannerModel,
	coolingModel,
	dryingModel,
	freezerModel,
	packModel,
	surfaces,
	wraps
} from '../../reference/model-rules';
import type { TableWay } from '../../reference/other-ways';
import type { Row } from '../../reference/row';

type Names<Table> = Readonly<Record<keyof Table, string>>;
/** A table of the models' constants: where it stands, and what each is called. The compiler holds that none is missing. */
const table = <T extends Readonly<Record<string, Row>>>(id: string, way: TableWay, rows: T, names: Names<T>) => ({
	id,
	way,
	rows: rows as Readonly<Record<string, Row>>,
	names: names as Readonly<Record<string, string>>
});

export const modelTables = [
	table('surfaces', 'freeze', surfaces, {
		'still-air': 'Heat to still air',
		fan: 'Heat to moving air',
		plate: 'Heat to a cold plate',
		'ice-water': 'Heat to ice water',
		'tap-water': 'Heat to cold tap water'
	}),
	table('wraps', 'freeze', wraps, {
		none: 'Bare food holds back',
		tight: 'A tight bag holds back',
		loose: 'A loose bag holds back',
		box: 'A box holds back',
		carton: 'A carton holds back'
	}),
	table('freezer', 'freeze', freezerModel, {
		loss_W_K: 'A freezer’s walls lose',
		spare: 'A freezer’s cooling over its loss',
		capacitySlope: 'More cooling a degree warmer',
		efficiency: 'Cold for its electricity',
		liner_J_K: 'Liner and air take up',
		fill_kg_L: 'A full freezer holds',
		band_K: 'Thermostat’s play',
		contact_W_m2K: 'Heat between packs that touch',
		oldWarmest_C: 'Old stock at most',
		oldBlock_m: 'Old stock as a block'
	}),
	table('cooling', 'cook', coolingModel, {
		stirred_W_m2K: 'Stirred liquid to its pot',
		still_W_m2K: 'Liquid at rest to its pot',
		open_W_m2K: 'Air carries off an open surface',
		airHumidity: 'Air in a fridge',
		shallow_m: 'A shallow pan',
		tight: 'Called tight within'
	}),
	table('drying', 'dry', dryingModel, {
		thicknessPower: 'Hours with thickness, power',
		thicknessDoubt: 'Doubt of that power',
		activation_kJ_mol: 'Hours with warmth',
		activationDoubt: 'Doubt of that',
		roomAir_C: 'Room of the printed hours',
		roomHumidity: 'Its humidity',
		overloadPower: 'Hours with overload, power',
		ovenFactor: 'An oven against a dryer',
		undipped: 'Waxy berries not dipped',
		pricked: 'Waxy berries pricked',
		halved: 'Berries halved',
		skinDoubt: 'Doubt of skins',
		unblanched: 'Vegetables not blanched',
		least: 'Least doubt of printed hours',
		shapeDoubt: 'Doubt of the curve',
		herbMoisture: 'Water left in herbs',
		meatMoisture: 'Water left in dried meat',
		equilibrium: 'Water left in the long run',
		trayLoad_kg_m2: 'One layer on a tray',
		dried_kg_L: 'Dried food lies at',
		again_h: 'A clumped jar, back in',
		againDoubt: 'Doubt of that',
		againMoisture: 'Water too much in it',
		turning_s: 'Turning trays',
		jarring_s: 'Filling a jar with it',
		betweenTrays: 'Hours from tray to tray',
		betweenLoads: 'Hours from load to load',
		handDoubt: 'Doubt of the hand’s test',
		coolFor_s: 'Cooling before the jar',
		dryerEfficiency: 'Dryer’s heat into the water'
	}),
	table('boil-down', 'jam', boilDownModel, {
		openEfficiency: 'An open pot against a covered',
		rateDoubt: 'Doubt of a burner',
		dip_m: 'A stick is read to',
		mostSugar: 'Boiled down at most to sugar of'
	}),
	table('canner', 'can', cannerModel, {
		turn_s: 'Between loads',
		fill_s: 'Hands for a jar',
		comeUp_s: 'Coming up to pressure',
		comeDown_s: 'Coming down by itself',
		water_L: 'Water in a boiling-water canner',
		waterPressure_L: 'Water in a pressure canner',
		returnBoil_s: 'Loaded canner back to the boil',
		spareLids: 'Lids over'
	}),
	table('pack', 'vacuum', packModel, {
		bagSlack_m: 'Bag longer than the item by',
		seam_m: 'A seam takes',
		widthSlack_m: 'Bag wider than half round by'
	})
] as const;
