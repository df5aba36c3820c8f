import { sayCount, sayDuration, sayVolume, sayWeight } from '$core/quantities/format';
import { cannerCapacity } from '$core/canning/canner-loads';
import type { FreezeWay } from '$core/ways/freeze-way';
import { cannerFor } from '$core/ways/gear-changes';
import { sharedCanners, sharedDryer, sharedPots } from '$core/ways/together';
import type { Stores } from '../stores';
import { canSlug, lookAt, type Look } from './look';

/** Lots that could share something, in words, and what that saves. */
export interface Shared {
	readonly title: string;
	readonly lots: readonly { readonly id: string; readonly name: string; readonly href: string }[];
	/** The biggest figure, and what it is of. */
	readonly saved: string;
	readonly of: string;
	readonly words: readonly string[];
	readonly warn: string;
	/** Where it is started together; the lots of one load of the dryer. */
	readonly start: string | null;
	readonly load: readonly string[] | null;
}

export interface TogetherView {
	readonly lots: readonly { readonly id: string; readonly name: string; readonly amount: string; readonly stop: string | null }[];
	readonly shared: readonly Shared[];
} // prettier-ignore

const hours = (h: number): string => (h < 10 ? `${Math.round(h * 2) / 2} h` : `${Math.round(h)} h`);

/** What several lots of the basket may share: a pot, the dryer, a canner load. @throws {AppError} 404 */
export async function together(stores: Stores, lotIds: readonly string[], now: Date): Promise<TogetherView> {
	const looks: Look[] = [];
	for (const id of lotIds) looks.push(await lookAt(stores, id, { fields: {} }, now));
	const open = looks.filter((l) => !l.stop && l.free_g > 0);
	return {
		lots: looks.map((l) => ({
			id: l.lot.id,
			name: l.lot.title,
			amount: sayWeight(l.whole_g, l.kitchen.units),
			stop: l.stop?.reason ?? (l.free_g > 0 ? null : 'All of it is at the Stove.')
		})),
		shared: [...pots(open), ...dryers(open), ...canners(open)]
	};
}

const idOf = ({ lot }: Look) => ({ lotId: lot.id, name: lot.title });

function pots(looks: readonly Look[]): Shared[] {
	const wet = looks.flatMap((l) => {
		const way = l.freeze.map((f) => f.way).find((w): w is FreezeWay => w.kind === 'way' && w.line !== undefined);
		return way ? [{ ...idOf(l), way }] : [];
	});
	const units = looks[0]?.kitchen.units ?? 'metric';
	return sharedPots(wet).map((s) => ({
		title: `One pot: ${s.pot}`,
		lots: s.lots.map((l) => ({ id: l.lotId, name: l.name, href: `/ways/${l.lotId}/${l.way.becomes}` })),
		saved: sayDuration(s.saved_s),
		of: 'of heating saved',
		words: [`${sayVolume(s.savedWater_L, units)} less water to bring to the boil`, 'Firm before soft, strong ones last: the Stove keeps the order'],
		warn: '',
		start: `/stove/new?${s.lots.map((l) => `lot-${l.lotId}=yes`).join('&')}`,
		load: null
	}));
} // prettier-ignore

function dryers(looks: readonly Look[]): Shared[] {
	const dry = looks.flatMap((l) => (l.dry.kind === 'way' ? [{ ...idOf(l), way: l.dry }] : []));
	const first = dry[0]?.way;
	const shared = first ? sharedDryer(dry, first.dryer) : null;
	if (!shared) return [];
	const saved_h = shared.alone_h - shared.together_h;
	return [
		{
			title: 'The dryer',
			lots: shared.lots.map((l) => ({ id: l.lotId, name: l.name, href: `/ways/${l.lotId}/dry` })),
			saved: saved_h >= 0.5 ? hours(saved_h) : 'nothing',
			of: saved_h >= 0.5 ? 'of the dryer saved' : 'saved: one after the other is as quick',
			words: [`${hours(shared.together_h)} in ${sayCount(shared.runs, 'load')}, ${hours(shared.alone_h)} by themselves`, ...shared.words],
			warn: shared.apart.map((a) => `${a.foods.join(' and ')}: ${a.reason}`).join(' '),
			start: null,
			load: shared.apart.length === 0 ? shared.lots.map((l) => l.lotId) : null
		}
	];
} // prettier-ignore

function canners(looks: readonly Look[]): Shared[] {
	const kitchen = looks[0]?.kitchen;
	if (!kitchen) return [];
	const cans = looks.flatMap((l) => l.cans.filter((c) => !c.recipe).slice(0, 1).map((c) => ({ ...idOf(l), way: c.way }))); // prettier-ignore
	return sharedCanners(cans, (way) =>
		cannerCapacity(cannerFor(kitchen, way.processes[0]?.method ?? 'pressure'), way.jar)
	).map((s) => ({
		title: `The canner: ${s.jar}s ${s.method === 'pressure' ? 'under pressure' : 'in boiling water'}`,
		lots: s.lots.map((l) => ({ id: l.lotId, name: l.name, href: `/ways/${l.lotId}/${canSlug(l.way.product.id)}` })),
		saved: sayCount(s.loadsAlone - s.loadsTogether, 'load'),
		of: 'saved',
		words: [`${sayCount(s.loadsTogether, 'load')} where it would be ${s.loadsAlone}`, s.words, 'One time for a mixed load, the longest of them: common practice'],
		warn: '',
		start: null,
		load: null
	}));
} // prettier-ignore
