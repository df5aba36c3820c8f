import { haveOf } from './programme';
import { mostWays, type Haul, type Shared, type Take } from './haul';

/** Sums of many parts may be off by so much. */
const slack = 1e-5;

/**
 * What of an answer breaks a rule of its haul, in words; empty where all hold. It knows nothing of programmes: kilos, days,
 * packs and limits are counted as a person would, so that no answer is shown on a solver's word alone.
 */
export function faultsOf(haul: Haul, shared: Shared): string[] {
	const faults: string[] = [];
	const wayOf = new Map(haul.ways.map((w) => [w.id, w]));
	const kgOf = (id: string) => shared.parts.filter((p) => p.way === id).reduce((s, p) => s + p.kg, 0);
	for (const part of shared.parts) {
		const way = wayOf.get(part.way);
		const lot = haul.lots.find((l) => l.id === part.lot);
		if (!way || !lot || way.lot !== lot.id) faults.push(`${part.way} is no way of ${part.lot}`);
		else {
			if (part.day > lot.lastDay || part.day < 0 || part.day >= haul.days)
				faults.push(`${lot.name}: past its time on day ${part.day}`);
			if (part.kg < 0) faults.push(`${way.id}: less than nothing`);
			const packs = part.kg / way.pack_kg;
			if (way.whole && Math.abs(packs - Math.round(packs)) > slack) faults.push(`${way.id}: ${packs} packs`);
		}
	}
	for (const lot of haul.lots) {
		const placed = shared.parts.filter((p) => p.lot === lot.id).reduce((s, p) => s + p.kg, 0);
		if (Math.abs(placed + (shared.left[lot.id] ?? 0) - lot.kg) > slack) faults.push(`${lot.name}: kilos do not close`);
		if (new Set(shared.parts.filter((p) => p.lot === lot.id).map((p) => p.way)).size > mostWays)
			faults.push(`${lot.name}: too many ways`);
	}
	for (const way of haul.ways) {
		const kg = kgOf(way.id);
		if (kg > way.most_kg + slack) faults.push(`${way.id}: more than there may be`);
		const lot = haul.lots.find((l) => l.id === way.lot);
		if (kg > slack && kg < Math.min(way.least_kg, way.most_kg, lot?.kg ?? 0) - slack)
			faults.push(`${way.id}: ${kg} kg are too little`);
	}
	for (const lock of haul.locks) {
		const way = wayOf.get(lock.way);
		const kg = way?.whole ? Math.round(lock.kg / way.pack_kg) * way.pack_kg : lock.kg;
		if (Math.abs(kgOf(lock.way) - kg) > slack) faults.push(`${lock.way}: was set to ${kg}`);
	}
	for (const group of haul.groups)
		for (let day = 0; day < haul.days; day++) {
			const packs = shared.parts
				.filter((p) => p.day === day && wayOf.get(p.way)?.group === group.id)
				.reduce((s, p) => s + p.kg / (wayOf.get(p.way)?.pack_kg ?? 1), 0);
			const loads = shared.loads.find((l) => l.group === group.id && l.day === day)?.count ?? 0;
			if (!Number.isInteger(loads) || packs > loads * group.packs + slack)
				faults.push(`${group.id}: ${packs} packs in ${loads} loads`);
		}
	for (const limit of haul.limits)
		for (const { of, have, whole } of haveOf(limit, haul.days)) {
			const taken = takenOf(haul, shared, limit.id, of, whole);
			if (taken > have + slack * Math.max(1, have)) faults.push(`${limit.id}: ${taken} of ${have}`);
		}
	return faults;
}

/** What an answer takes of a limit on the days asked for. */
export function takenOf(
	haul: Haul,
	shared: Shared,
	limit: string,
	of: (day: number) => boolean,
	whole: boolean
): number {
	const at = (taken: readonly Take[]) => taken.filter((x) => x.limit === limit).reduce((s, x) => s + x.amount, 0);
	const ways = haul.ways.reduce((sum, way) => {
		const kg = shared.parts.filter((p) => p.way === way.id && of(p.day)).reduce((s, p) => s + p.kg, 0);
		const packs = whole && !way.whole ? Math.ceil(kg / way.pack_kg - 1e-6) : kg / way.pack_kg;
		return sum + kg * at(way.perKg) + packs * at(way.perPack);
	}, 0);
	const loads = shared.loads
		.filter((l) => of(l.day))
		.reduce((sum, l) => sum + l.count * at(haul.groups.find((g) => g.id === l.group)?.takes ?? []), 0);
	const set = haul.stations.reduce((sum, s) => {
		const own = new Set(haul.ways.filter((w) => w.station === s.id).map((w) => w.id));
		const on = new Set(shared.parts.filter((p) => own.has(p.way) && of(p.day)).map((p) => p.day));
		return sum + on.size * at(s.takes);
	}, 0);
	return ways + loads + set;
}
