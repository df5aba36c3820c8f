/** What the heat of a record is called. */
export const heatWords: Readonly<Record<string, string>> = {
	'boiling-water': 'boiling water',
	steam: 'a steam canner',
	pressure: 'a pressure canner'
};
/** Why a load was held for its full time once more. */
export const restartWords: Readonly<Record<string, string>> = {
	vent: 'the vent was closed too early',
	fell: 'it fell below, or off the boil',
	gap: 'a gap that nobody spoke for',
	early: 'the heat went off too early',
	changed: 'the Kitchen was changed'
};
/** What a person said of a stretch without a reading. */
export const wordWords = (word: string): string =>
	word === 'yes' ? 'watched the whole time, by a person’s word' : 'nobody was sure; the full time again';
/** "; 12 min lost, the full time again". */
export const lostWords = (lost_s: number): string =>
	lost_s >= 60 ? `; ${Math.round(lost_s / 60)} min lost, the full time again` : '; the full time again';
