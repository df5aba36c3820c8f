import { dayLimit_kg } from '$core/freezing/freezer-week';
import { sayCount, sayDuration, sayTemperature, sayVolume, sayWeight, type Units } from '$core/quantities/format';
import { gearChange, type GearChange } from '$core/ways/gear-changes';
import { gearNames, type GearKind } from '$core/ways/equipment-fields';
import { mayWords, potWords, specWords } from '$core/ways/gear-words';
import { potfulOf } from '$core/ways/set-up';
import type { GearItem, GearGroup } from '$lib/ui/kitchen/types';
import { dropsAs, shownGear } from './gear';
import type { Stores } from './stores';

type WholeKitchen = Awaited<ReturnType<Stores['home']['wholeKitchen']>>;

const groups: readonly { readonly id: string; readonly title: string; readonly kinds: readonly GearKind[] }[] = [
	{ id: 'heat', title: 'Heat', kinds: ['pot', 'canner'] },
	{ id: 'dry', title: 'Dry and seal', kinds: ['dryer', 'freeze-dryer', 'sealer'] },
	{ id: 'hands', title: 'Hands and machines', kinds: ['person', 'mill', 'grinder', 'moulds'] }
];

const plainChange = (big: string, of: string, words: string): GearChange => ({ big, of, words, warning: null });

/** "by your last 3 batches in it": where its burner was seen at work. */
const seenAtWork = (kitchen: WholeKitchen['kitchen'], pot: string): string => {
	const n = kitchen.pots.find((p) => p.id === pot)?.boilsSeen;
	return n ? `, by your last ${sayCount(n, 'run')} with it` : '';
};

/** Everything that the kitchen works with, each with what it changes, in the household's units. */
export function gearView(whole: WholeKitchen, now: Date): readonly GearGroup[] {
	const { pots, machines, persons, kitchen } = whole;
	const { units } = kitchen;
	const item = (
		kind: GearKind,
		of: { readonly id: string; readonly name: string },
		held: Readonly<Record<string, unknown>>,
		words: string,
		change: GearChange
	): GearItem => ({
		kind,
		id: of.id,
		name: of.name,
		words,
		change,
		drops: dropsAs(kind),
		values: shownGear(kind, held, units)
	});
	const items: readonly GearItem[] = [
		...pots.map((p) => {
			const full = potfulOf(kitchen, p.id, now.getTime());
			const change = full
				? plainChange(sayWeight(full.kg * 1000, units), 'of beans a potful', `The boil is back in ${sayDuration(Math.round(full.reboil_s))}${seenAtWork(kitchen, p.id)}.`)
				: plainChange('', '', 'Say the altitude, and its potful is worked out.');
			return item('pot', p, p, potWords(p, units), change);
		}),
		...machines.map((m) =>
			item(m.kind, m, { ...m.spec }, specWords(m, units), gearChange(m, kitchen, now.getTime()))
		),
		...persons.map((p) =>
			item('person', p, p, mayWords(p.may), p.handsH === null ? plainChange('', '', '') : plainChange(`${p.handsH} h`, 'on a usual day', ''))
		)
	]; // prettier-ignore
	return groups.map(({ id, title, kinds }) => ({
		id,
		title,
		items: items.filter((i) => kinds.includes(i.kind)),
		adds: kinds.map((kind) => ({ kind, name: gearNames[kind], values: shownGear(kind, null, units) }))
	}));
}

/** A freezer, in a line, and what may go into it in a day. */
export function freezerView(
	p: { readonly name: string; readonly tempC: number; readonly litres: number | null; readonly dayKg: number | null },
	units: Units
): { readonly name: string; readonly words: string; readonly change: GearChange } {
	const day = p.dayKg ?? dayLimit_kg(p.litres ?? 0);
	return {
		name: p.name,
		words: `${p.litres === null ? 'litres not said' : sayVolume(p.litres, units)} · ${sayTemperature(p.tempC, units)}`,
		change: plainChange(
			sayWeight(day * 1000, units),
			'a day may go in',
			p.dayKg === null ? 'By its litres (published load).' : 'By its own plate.'
		)
	};
}
