import type { StandingPlace } from './keeping';

/** Where things stand. */
export const placeKinds = ['counter', 'cool', 'fridge', 'cellar', 'freezer', 'pantry', 'ground', 'crock'] as const satisfies readonly StandingPlace[]; // prettier-ignore
