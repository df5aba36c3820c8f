/** Where a step is done: one thing at a time there, or (the table) by whoever has hands. */
export type WorkStation = 'table' | 'pot' | 'basin' | 'freezer';

/** A step of a way as a schedule wants it. */
export interface WorkStep {
	readonly id: 'prepare' | 'boil' | 'line' | 'cook' | 'tray' | 'freeze' | 'pack';
	readonly seconds: number;
	/** Whether it keeps hands. */
	readonly attended: boolean;
	readonly station: WorkStation;
}
