import type { StandingPlace } from '../things/keeping';

/** What stands badly: the rule, what it is said to be, where, and whether it is carried there or said to stand there. */
export const standCases: readonly (readonly [string, string, StandingPlace, number, 'move' | 'said'])[] = [
	['freezer-warm', '1 kg green beans, frozen', 'freezer', -8, 'said'],
	['counter-thaw', '1 kg green beans, frozen', 'counter', 21, 'move'],
	['counter-thaw', '1 kg chicken, in pieces, thawed', 'pantry', 18, 'said'],
	['oil-shelf', '200 g garlic in oil', 'pantry', 17, 'said'],
	['meat-shelf', '500 g beef jerky', 'pantry', 17, 'said'],
	['vacuum-room', '1 kg carrots, vacuum sealed', 'counter', 20, 'said'],
	['opened-warm', '500 g green beans, opened', 'counter', 20, 'said'],
	['ground-unfit', '2 kg tomatoes', 'ground', 8, 'said'],
	['jar-freezes', '3 quarts green beans, canned', 'freezer', -18, 'said'],
	['refreeze', '1 kg chicken, in pieces, thawed', 'freezer', -18, 'move'],
	['freezing-is-a-run', '1 kg carrots', 'freezer', -18, 'move'],
	['freezing-is-a-run', '1 kg chicken, cooked', 'freezer', -18, 'move'],
	['jar-process', '3 quarts green beans, canned', 'pantry', 17, 'said']
];
