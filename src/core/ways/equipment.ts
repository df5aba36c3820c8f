/** What a kitchen works with, besides its pots and the places where things stand. */
export const equipmentKinds = [
	'freezer',
	'dryer',
	'canner',
	'freeze-dryer',
	'sealer',
	'mill',
	'grinder',
	'moulds',
	'trays'
] as const;
export type EquipmentKind = (typeof equipmentKinds)[number];

/** SI; what is null was not said. */
export interface Freezer {
	/** Inside, L. */
	readonly litres: number;
	/** Of its air, °C. */
	readonly air_C: number;
	/** What it freezes in a day, kg, by its plate; null goes by the published pounds to the cubic foot. */
	readonly day_kg: number | null;
}
export interface DryerSpec {
	readonly trays: number;
	/** Fewest that it may run with. */
	readonly leastTrays: number;
	readonly trayArea_m2: number;
	/** One empty tray, g; null where nobody weighed it. */
	readonly tare_g: number | null;
	readonly power_W: number;
	readonly heater: 'bottom' | 'top' | 'back';
}
export interface CannerSpec {
	/** Jars in a load. */
	readonly quarts: number;
	readonly pints: number | null;
	readonly halfPints: number | null;
	/** Whether smaller jars stand in two layers. */
	readonly stacked: boolean;
	/** `none`: a pot for boiling water alone. */
	readonly gauge: 'none' | 'dial' | 'weighted';
	/** A dial is tested each year: the day of its last test, `yyyy-MM-dd`. */
	readonly dialTested: string | null;
}
export interface SealerSpec {
	/** Widths of its rolls, mm. */
	readonly rolls_mm: readonly number[];
	readonly chamber: boolean;
}
export interface MouldsSpec {
	readonly count: number;
	/** Each, ml. */
	readonly each_mL: number;
}
export interface TraysSpec {
	readonly count: number;
	readonly area_m2: number;
}
export interface FreezeDryerSpec {
	readonly trays: number;
	readonly trayArea_m2: number;
	readonly load_kg: number;
}
export interface PlainSpec {
	/** Kilos in an hour, by the household's own word. */
	readonly kg_h: number | null;
}

export interface EquipmentSpecs {
	readonly freezer: Freezer;
	readonly dryer: DryerSpec;
	readonly canner: CannerSpec;
	readonly 'freeze-dryer': FreezeDryerSpec;
	readonly sealer: SealerSpec;
	readonly mill: PlainSpec;
	readonly grinder: PlainSpec;
	readonly moulds: MouldsSpec;
	readonly trays: TraysSpec;
}
export type EquipmentSpec = EquipmentSpecs[EquipmentKind];

/** One thing of the kitchen, told apart by its kind. */
export type Equipment = {
	[K in EquipmentKind]: {
		readonly id: string;
		readonly kind: K;
		readonly name: string;
		readonly spec: EquipmentSpecs[K];
	};
}[EquipmentKind];
