import { AppError } from '../errors';
import type { Stores } from '../stores';
import type { InstrumentRow } from '../stores/instruments';

/** The printer that asks, by its token. @throws {AppError} 401 not known here; 403 it measures, and prints nothing */
export function printerOf(locals: App.Locals): { stores: Stores; printer: InstrumentRow } {
	const { instrument, stores } = locals;
	if (!instrument) throw new AppError(401, 'NOT_PAIRED', 'This printer is not known here.');
	if (instrument.quantity !== 'print')
		throw new AppError(403, 'NOT_A_PRINTER', 'This one measures, and prints nothing.');
	return { stores, printer: instrument };
}
