import type { FreezePlan, Heat, StagePlan, Subject } from './plan';

/** A plan as it was frozen before it had a version: one food, with the sentences in it. */
export interface FirstPlan {
	readonly core: string;
	readonly kind: 'freeze';
	readonly units: FreezePlan['units'];
	readonly food: Subject['food'];
	readonly form: string;
	readonly cut: Subject['cut'];
	readonly way: Subject['way'];
	readonly lotId: string;
	readonly raw_g: number;
	readonly load_g: number;
	readonly prepared_g: number;
	readonly potful_g: number;
	readonly prepare: string;
	readonly pot: null | {
		readonly name: string;
		readonly water_L: number;
		readonly toBoil_s: number;
		readonly boil_C: number;
		readonly minutePotful_g: number;
	};
	readonly basins: number;
	readonly ice_kg: number;
	readonly icePerPotful_kg: number;
	readonly stages: readonly {
		readonly id: StagePlan['id'];
		readonly resource: StagePlan['resource'];
		readonly least_s: number | null;
		readonly most_s?: number;
		readonly doing: string;
		readonly leave: string;
		readonly hint: string;
	}[];
	readonly packedFirst?: 'wrap' | 'liquid' | 'flat';
	readonly inMoulds?: true;
	readonly trays: number;
	readonly perTray_g: number;
	readonly portion_g: number;
	readonly second_g?: number;
	readonly portionWords?: string;
	readonly container: Subject['container'];
	readonly headspace: string;
	readonly months: Subject['months'];
	readonly use: string;
	readonly source: string;
	readonly cautions: readonly string[];
	readonly expected: Subject['expected'];
}

/** What was heated how stood only in its sentences. */
function heatOf({ pot, stages }: FirstPlan): Heat {
	const blanch = stages.find((s) => s.id === 'blanch');
	if (!blanch) return 'none';
	if (!pot) return 'cook';
	if (stages.some((s) => s.id === 'return')) return 'water';
	return blanch.doing === 'In the hot water.' ? 'dip' : 'steam';
}

/** From one food to several: everything that a plan of before says, and nothing that it did not. */
export function fromFirst(old: FirstPlan): FreezePlan {
	const heat = heatOf(old);
	const blanch = old.stages.find((s) => s.id === 'blanch');
	const endPoint = /Ready (.+?)\. At zero/.exec(blanch?.hint ?? '')?.[1];
	const cookWords = heat === 'cook' ? blanch?.hint.replace(/ ?The clock only counts up\.$/, '') : undefined;
	const potful_kg = old.potful_g / 1000;
	const subject: Subject = {
		n: 1,
		lotId: old.lotId,
		raw_g: old.raw_g,
		food: old.food,
		form: old.form,
		cut: old.cut,
		way: old.way,
		heat,
		pot: old.pot ? 0 : null,
		load_g: old.load_g,
		prepared_g: old.prepared_g,
		potful_g: old.potful_g,
		minutePotful_g: old.pot?.minutePotful_g ?? old.potful_g,
		reboil_s: 0,
		ice_kg_per_kg: potful_kg > 0 ? old.icePerPotful_kg / potful_kg : 0,
		topUp_L_per_kg: 0,
		prepare: old.prepare,
		...(endPoint ? { endPoint } : {}),
		...(old.stages.some((s) => s.leave.includes('kernels')) ? { kernels: true as const } : {}),
		...(cookWords ? { cookWords } : {}),
		style: old.packedFirst ?? (old.inMoulds ? 'mould' : 'tray'),
		stages: old.stages.map(({ id, resource, least_s, most_s }) => ({
			id,
			resource,
			end:
				id === 'freeze'
					? { by: 'look' as const, ...(least_s === null ? {} : { first_s: least_s }) }
					: least_s === null
						? { by: 'look' as const }
						: { by: 'clock' as const, least_s, ...(most_s ? { most_s } : {}) }
		})),
		trays: old.trays,
		perTray_g: old.perTray_g,
		portion_g: old.portion_g,
		...(old.second_g ? { second_g: old.second_g } : {}),
		...(old.portionWords ? { portionWords: old.portionWords } : {}),
		container: old.container,
		headspace: old.headspace,
		months: old.months,
		use: old.use,
		source: old.source,
		cautions: old.cautions,
		byproducts: [],
		expected: old.expected
	};
	return {
		core: old.core,
		kind: 'freeze',
		version: 2,
		units: old.units,
		subjects: [subject],
		pots: old.pot
			? [{ name: old.pot.name, water_L: old.pot.water_L, toBoil_s: old.pot.toBoil_s, boil_C: old.pot.boil_C }]
			: [],
		basins: old.basins,
		ice_kg: old.ice_kg,
		iceReady_kg: null,
		trays: 0,
		freezers: [],
		day_kg: 0
	};
}

/** One step a version, from whatever it was. @throws {Error} a plan of a newer core */
export function upgrade(plan: object): FreezePlan {
	const version = (plan as { version?: number }).version ?? 1;
	if (version === 1) return fromFirst(plan as FirstPlan);
	if (version === 2) return plan as FreezePlan;
	throw new Error(`A plan of version ${version} is newer than this core.`);
}
