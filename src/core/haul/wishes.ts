/** What the household cares about, each from 0 (not at all) to 4 (much). */
export const wishKinds = [
	'leastWork',
	'closestToFresh',
	'leastFreezer',
	'keepsLongest',
	'costsLeast',
	'variety'
] as const;
export type Wishes = Readonly<Record<(typeof wishKinds)[number], number>>;
export const usualWishes: Wishes = {
	leastWork: 2,
	closestToFresh: 2,
	leastFreezer: 1,
	keepsLongest: 2,
	costsLeast: 1,
	variety: 1
};
