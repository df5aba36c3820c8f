import type { CannerHolds } from '../canning/canner-loads';
import type { Dryer } from '../drying/mixed-load';

/** What a kitchen works with besides its pots and the places where things stand; several of each. */
export const equipmentKinds = ['dryer', 'canner', 'freeze-dryer', 'sealer', 'mill', 'grinder', 'moulds'] as const;
export type EquipmentKind = (typeof equipmentKinds)[number];

/** SI; what is null was not said. */
export interface DryerSpec {
	readonly trays: number;
	/** Fewest that it may run with. */
	readonly leastTrays: number;
	readonly trayArea_m2: number;
	/** One empty tray, kg; null where nobody weighed it. */
	readonly tare_kg: number | null;
	readonly power_W: number;
	readonly heater: Dryer['heater'];
}
export interface CannerSpec extends CannerHolds {
	/** Whether smaller jars stand in two layers, with a rack between. */
	readonly stacked: boolean;
	/** `none`: a deep pot with a rack, for boiling water alone; null where nobody has said. */
	readonly gauge: 'none' | 'dial' | 'weighted' | null;
	/** The day of a dial's last test, `yyyy-MM-dd`. */
	readonly dialTested: string | null;
}
export interface FreezeDryerSpec {
	readonly trays: number;
	readonly load_kg: number;
}
export interface SealerSpec {
	/** Widths of its rolls, m. */
	readonly rolls_m: readonly number[];
	/** Draws liquid too, since the whole bag is inside. */
	readonly chamber: boolean;
}
export interface MillSpec {
	/** Kilos in an hour, by the household's own word. */
	readonly kg_h: number | null;
}
export interface MouldsSpec {
	readonly hollows: number;
	/** One of them, ml. */
	readonly each_mL: number;
}

export interface EquipmentSpecs {
	readonly dryer: DryerSpec;
	readonly canner: CannerSpec;
	readonly 'freeze-dryer': FreezeDryerSpec;
	readonly sealer: SealerSpec;
	readonly mill: MillSpec;
	readonly grinder: MillSpec;
	readonly moulds: MouldsSpec;
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

/** What a helper may be let do. Common practice: no child at pressure or at the boiling pot. */
export const tasks = ['wash', 'knife', 'heat', 'pressure', 'seal', 'label'] as const;
export type Task = (typeof tasks)[number];

/** What lies in the drawer besides bags, boxes and jars: lids by mouth, rolls by width, absorbers by what they take up. */
export const supplyKinds = ['lid', 'roll', 'absorber'] as const;
export type SupplyKind = (typeof supplyKinds)[number];
export interface Supply {
	readonly id: string;
	readonly kind: SupplyKind;
	readonly name: string;
	/** Lids: mouth, mm. Rolls: width, mm. Absorbers: cc of oxygen. */
	readonly size: number;
	/** Pieces; of rolls centimetres. */
	readonly amount: number;
	/** At or under it there is little left; null: nobody minds. */
	readonly low: number | null;
}
