import { tableEntries } from '$core/tables/entries';
import type { LayoutServerLoad } from './$types';

/** The index that is searched as you type: carried once, for every page of Tables. */
export const load: LayoutServerLoad = () => ({ entries: tableEntries });
