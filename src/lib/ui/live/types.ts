import type { Alarm, Watch } from '$core/instruments/alarm';
import type { Quantity, Standing } from '$core/instruments/reading';

/** An instrument as it stands now. */
export interface LiveInstrument {
	readonly id: string;
	readonly name: string;
	readonly quantity: Quantity;
	readonly watch: Watch;
	/** The place that it hangs in. */
	readonly placeId: string | null;
	readonly tare_g: number;
	readonly trusted: boolean;
	readonly standIn: boolean;
	readonly standing: Standing;
	readonly alarm: Alarm | null;
}
