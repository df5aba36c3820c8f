import { sayRange, sayTemperature } from '../../../quantities/format';
import type { StorePlan } from './plan';

/** "want 10 to 13 °C and 50–70 %": for pages. */
export const wantWords = ({ want, units }: Pick<StorePlan, 'want' | 'units'>): string =>
	`${sayTemperature(want.C[0], units)} to ${sayTemperature(want.C[1], units)}, ${sayRange(want.rh)} % of humidity`;
