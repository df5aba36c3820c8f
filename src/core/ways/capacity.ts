import { isJarOf, type JarSize } from '../../reference/canning-rules';
import type { Thing } from '../things/thing';
import { takeOn, type Resource, type TakeOn } from '../costs/take-on';
import { mustBeWithin } from '../errors';
import { canWays } from './can-ways';
import { dryWay } from './dry-ways';
import { freezeWays } from './freeze-ways';
import { glance, type GlanceWay } from './glance';
import type { Kitchen } from './kitchen';

export interface CapacityInput {
	readonly thing: Thing;
	readonly kitchen: Kitchen;
	/** Days there are, today among them: 1 to 60. */
	readonly days: number;
	readonly jar: JarSize;
	/** ms. */
	readonly now: number;
}
export interface Capacity {
	readonly name: string;
	readonly way: GlanceWay['way'];
	readonly takes: TakeOn;
	/** Why not at all: a dryer or canner that is not there. */
	readonly missing: string | null;
}

/** An amount large enough that potfuls and trays are full. */
const reference_g = 20_000;

/**
 * What this kitchen could still take on of a food until a date, way by way, if nothing else were put up: hands, ice, freezer
 * room and its kilos a day, bags, dryer, jars.
 *
 * Each way's needs are those of 20 kg, by the kilo. Refused ways are left out.
 *
 * @throws {DomainError} OUT_OF_RANGE
 */
export function capacities(input: CapacityInput): Capacity[] {
	const { thing, kitchen, days, now } = input;
	mustBeWithin(days, 1, 60, 'days');
	const grams = reference_g;
	const { ways, cut } = freezeWays({ thing, grams, food_C: 18, kitchen, choices: {}, now });
	const dry = dryWay({ thing, cut, grams, kitchen, choices: {}, now });
	const cans = canWays({ thing, grams, kitchen, jar: input.jar, now });
	const list = glance({ kitchen, grams, food_C: 18, freeze: ways, dry, cans, paid: 0 });
	const kg = grams / 1000;
	return list.flatMap((way): Capacity[] => {
		if (way.kind !== 'way') return [];
		const has = (id: string, name: string, unit: string, have: number, uses: number): Resource => ({
			id, name, unit, have, perKg: uses / kg
		}); // prettier-ignore
		const resources = [has('hands', 'hours of hands', 'h', kitchen.handsDay_h * days, way.hands_s / 3600)];
		if (way.way === 'freeze') {
			const own = ways.find((w) => w.kind === 'way' && `freeze-${w.id}` === way.id);
			if (own?.kind === 'way') {
				const bags = kitchen.containers.filter((c) => c.volume_mL * 0.9 >= (own.packs.volume_L * 1000) / Math.max(1, own.packs.count));
				resources.push(
					has('ice', 'ice', 'kg', kitchen.ice_kg + kitchen.iceDay_kg * days, own.ice?.kg ?? 0),
					has('room', 'freezer room', 'L', kitchen.freezerFree_L, way.litres),
					has('freezing', 'what the freezer freezes in the days', 'kg', kitchen.freezeDay_kg * days, own.prepared_g / 1000),
					has('bags', 'bags and boxes that fit', 'pieces', bags.reduce((sum, c) => sum + c.count, 0), way.packs)
				);
			}
		}
		if (way.way === 'dry' && dry.kind === 'way')
			resources.push(has('dryer', 'hours of dryer trays', 'h', dry.dryer.trays * 24 * days, (dry.balance.solids_kg + dry.balance.water_kg) / dry.trays.perTray_kg * dry.time.hours));
		if (way.way === 'can') {
			const own = kitchen.containers.filter((c) => c.kind === 'jar' && isJarOf(c.volume_mL, input.jar));
			// A drawer without such jars says nothing of them: they are bought by the dozen.
			if (own.length > 0) resources.push(has('jars', `${input.jar} jars`, 'jars', own.reduce((sum, c) => sum + c.count, 0), way.packs));
		}
		const lacks = way.missing?.startsWith('no ') ? way.missing : null;
		return [{ name: way.name, way: way.way, takes: takeOn(resources), missing: lacks }];
	});
} // prettier-ignore
