import type { Kitchen } from './kitchen';

/** A made-up kitchen for the tests of the core. */
export const kitchen: Kitchen = {
	altitude_m: 380,
	gauge: 'weighted',
	units: 'metric',
	zone: 'Europe/Prague',
	people: 5,
	pots: [{ id: 'p', name: 'enamel pot', litres: 12, burner: { kind: 'induction', power_W: 3000 } }],
	ice_kg: 6,
	basins: 2,
	trays: 6,
	trayArea_m2: 0.15,
	freezer_L: 240,
	freezeDay_kg: 7.69,
	freezerFree_L: 120,
	containers: [
		{ id: 'a', name: '1 L bag', kind: 'bag', volume_mL: 1000, count: 40 },
		{ id: 'b', name: '2 L bag', kind: 'bag', volume_mL: 2000, count: 40 },
		{ id: 'c', name: '4 L bag', kind: 'bag', volume_mL: 4000, count: 10 }
	],
	tap_C: 14,
	room_C: 22,
	room_humidity: 0.5,
	freezeDryer: { name: 'Freeze-dryer', trays: 4, load_kg: 4 },
	dryer: { name: 'Dryer', trays: 8, trayArea_m2: 0.1, power_W: 600, heater: 'bottom' },
	canners: [
		{ name: 'canner', quarts: 7, pints: null, halfPints: null, stacked: false, gauge: 'weighted', dialTested: null }
	],
	moulds: null,
	supplies: [],
	freezer_C: -18,
	frozen_kg: 60,
	pantry_C: 16,
	iceDay_kg: 2,
	handsDay_h: 3,
	ownHands_h: 3,
	helpers: [],
	prices: { currency: 'EUR', kWh: 32, hour: 800, bag: 8, lid: 15 }
};
