import { sayCount, sayVolume, sayWeight } from '../../../quantities/format';
import type { Placed, Station } from '../../engine/kind';
import { ringsOf } from '../../engine/stage';
import { isIn, stageOf, sumOf, tally, type FreezeState, type Potful } from './fold';
import { subjectOf, type FreezePlan, type Resource } from './plan';
import { inToday_g, traysBusy } from './room';
import { unitName } from './words';

/** More than this are not drawn one by one. */
const mostDrawn = { bin: 8, pot: 1, basin: 2, cloth: 2, rack: 5, bags: 1, fridge: 3 } as const;

/** The worktop: every station that this run uses, with what is in it, in the order of the work. */
export function stations(plan: FreezePlan, state: FreezeState, now: number): Station[] {
	const uses = (resource: Resource) => plan.subjects.some((s) => s.stages.some((stage) => stage.resource === resource));
	const at = (resource: Resource) => state.potfuls.filter((p) => isIn(plan, p, resource));
	const units = plan.units;
	const list: Station[] = [];
	const waiting = inOrderOf(
		state,
		state.potfuls.filter((p) => p.spot === 'waiting')
	);
	list.push({
		...drawn(plan, 'waits', 'bin', 'Waits', waiting),
		figure: {
			words:
				waiting.length > 0
					? sayWeight(
							sumOf(waiting, () => true),
							units
						)
					: 'nothing'
		},
		words: toComeWords(plan, state, waiting),
		foot: state.held ? 'on hold' : state.subjects.every((s) => s.weighed) ? 'weighed' : 'to be made ready',
		warns: state.held
	});
	if (uses('pot'))
		plan.pots.forEach((pot, i) => {
			const kettle = state.kettles[i];
			const here = at('pot').filter((p) => subjectOf(plan, p.subject)?.pot === i);
			const heating = kettle?.state === 'heating';
			list.push({
				...drawn(plan, `pot-${i}`, 'pot', pot.name, here),
				figure: here[0]
					? clockOf(plan, here[0])
					: heating
						? { since: kettle.since, due: kettle.since + pot.toBoil_s * 1000 }
						: { words: kettle?.state === 'boiling' ? 'free' : 'cold' },
				words: here[0]
					? wordsAt(plan, here[0])
					: heating
						? 'to the boil'
						: kettle?.state === 'boiling'
							? 'it boils'
							: 'not on yet',
				foot: `${sayVolume(pot.water_L, units)}${kettle && kettle.gone_L >= pot.water_L * 0.1 ? `, ${sayVolume(kettle.gone_L, units)} gone` : ''}`,
				warns: false
			});
		});
	const others = at('pot').filter((p) => subjectOf(plan, p.subject)?.pot === null);
	if (plan.subjects.some((s) => s.heat === 'cook' && s.pot === null))
		list.push({
			...drawn(plan, 'pan', 'pot', 'Pan', others),
			figure: others[0] ? clockOf(plan, others[0]) : { words: 'free' },
			words: others[0] ? wordsAt(plan, others[0]) : '',
			foot: '',
			warns: false
		});
	if (uses('basin')) {
		const here = at('basin');
		const icy = !state.running && plan.subjects.some((s) => s.ice_kg_per_kg > 0);
		const left = plan.subjects.reduce(
			(sum, s) =>
				sum +
				(sumOf(state.potfuls, (p) => p.subject === s.n && ['waiting', 'return', 'blanch'].includes(p.spot)) / 1000) *
					s.ice_kg_per_kg,
			0
		);
		const missing = !icy || state.ice_kg === null ? 0 : Math.max(0, left - state.ice_kg);
		list.push({
			...drawn(plan, 'ice', 'basin', icy ? 'Ice' : state.running ? 'Running water' : 'Cold', here),
			figure: here[0] ? clockOf(plan, here[0]) : { words: 'free' },
			words: here[0] ? wordsAt(plan, here[0]) : sayCount(plan.basins, 'basin'),
			foot: !icy
				? ''
				: state.ice_kg === null
					? `${sayWeight(left * 1000, units)} still wanted`
					: missing > 0.05
						? `${sayWeight(state.ice_kg * 1000, units)} ice, ${sayWeight(missing * 1000, units)} short`
						: `${sayWeight(state.ice_kg * 1000, units)} ice`,
			warns: missing > 0.05
		});
	}
	if (uses('cloth')) {
		const here = at('cloth');
		list.push({
			...drawn(plan, 'cloth', 'cloth', 'Cloth', here),
			figure: here[0] ? clockOf(plan, here[0]) : { words: 'free' },
			words: here[0] ? 'drained, patted dry' : '',
			foot: '',
			warns: false
		});
	}
	const cold = state.potfuls.filter((p) => p.spot === 'fridge');
	if (cold.length > 0)
		list.push({
			...drawn(plan, 'fridge', 'fridge', 'Fridge', cold),
			figure: {
				words: sayWeight(
					sumOf(cold, () => true),
					units
				)
			},
			words: 'until there is room',
			foot: 'a day at most',
			warns: false
		});
	list.push(freezer(plan, state, now), bags(plan, state));
	return list;
}

function freezer(plan: FreezePlan, state: FreezeState, now: number): Station {
	const here = state.potfuls
		.filter((p) => p.spot === 'freeze')
		.sort((a, b) => (dueOf(plan, a) ?? 0) - (dueOf(plan, b) ?? 0));
	const firm = state.potfuls.filter((p) => p.spot === 'firm').length;
	const busy = traysBusy(plan, state);
	const today = inToday_g(state, now);
	const full = plan.day_kg > 0 && today > plan.day_kg * 1000;
	return {
		...drawn(plan, 'freezer', 'rack', 'Freezer', here),
		figure: here[0] ? clockOf(plan, here[0]) : { words: firm > 0 ? 'firm' : 'empty' },
		words: here[0] ? `look: ${subjectOf(plan, here[0].subject)?.food.name ?? ''}` : firm > 0 ? `${firm} to bag` : '',
		foot: [
			plan.trays > 0 && busy > 0 ? `${busy} of ${sayCount(plan.trays, 'tray')}` : '',
			plan.day_kg > 0 && today > 0
				? `${sayWeight(today, plan.units)} of ${sayWeight(plan.day_kg * 1000, plan.units)} a day`
				: ''
		]
			.filter(Boolean)
			.join(', '),
		warns: full
	};
}

function bags(plan: FreezePlan, state: FreezeState): Station {
	const packs = state.packed.reduce((sum, p) => sum + p.packs, 0);
	const sums = tally(state);
	const toCome = plan.subjects.reduce((sum, s) => {
		const t = tally(state, s.n);
		const left_g = (t.waiting_g + t.under_g + t.firm_g) * (s.load_g > 0 ? s.prepared_g / s.load_g : 1) - t.packed_g;
		return sum + (s.portion_g > 0 ? Math.max(0, Math.round(left_g / s.portion_g)) : 0);
	}, 0);
	return {
		id: 'done',
		draw: 'bags',
		name: 'Packed',
		figure: { words: `${packs}` },
		words: packs > 0 ? sayWeight(sums.packed_g, plan.units) : 'nothing yet',
		foot: toCome > 0 ? `about ${toCome} to come` : '',
		warns: false,
		units: [],
		more: packs
	};
}

const drawn = (plan: FreezePlan, id: string, draw: Station['draw'], name: string, potfuls: readonly Potful[]) => ({
	id,
	draw,
	name,
	units: potfuls.slice(0, mostDrawn[draw]).map((p) => placed(plan, p)),
	more: Math.max(0, potfuls.length - mostDrawn[draw])
});

const placed = (plan: FreezePlan, p: Potful): Placed => ({
	key: `${p.subject}.${p.n}`,
	n: `${p.n}`,
	food: subjectOf(plan, p.subject)?.food.name ?? '',
	subject: p.subject,
	due: dueOf(plan, p)
});

function dueOf(plan: FreezePlan, p: Potful): number | null {
	const stage = stageOf(subjectOf(plan, p.subject), p.spot);
	return stage ? ringsOf(stage.end, p.since, p.met).due : null;
}
const clockOf = (plan: FreezePlan, p: Potful) => ({ since: p.since, due: dueOf(plan, p) });

function wordsAt(plan: FreezePlan, p: Potful): string {
	const subject = subjectOf(plan, p.subject);
	if (!subject) return '';
	const words = {
		return: 'until it boils again',
		blanch:
			subject.heat === 'cook'
				? 'try one with a knife'
				: subject.heat === 'soak'
					? 'pinch one: does it slip?'
					: (subject.endPoint ?? 'then into the ice'),
		chill: subject.heat === 'none' ? 'measure it' : 'cold to the centre',
		drain: 'draining',
		freeze: 'look'
	} as const;
	return p.spot in words ? words[p.spot as keyof typeof words] : '';
}

/** By the order of the pot. */
const inOrderOf = (state: FreezeState, potfuls: readonly Potful[]): Potful[] =>
	[...potfuls].sort((a, b) => state.order.indexOf(a.subject) - state.order.indexOf(b.subject) || a.n - b.n);

function toComeWords(plan: FreezePlan, state: FreezeState, waiting: readonly Potful[]): string {
	const parts = state.order.flatMap((n) => {
		const subject = subjectOf(plan, n);
		const count = waiting.filter((p) => p.subject === n).length;
		return subject && count > 0
			? [plan.subjects.length > 1 ? `${count} ${subject.food.name.toLowerCase()}` : sayCount(count, unitName(subject))]
			: [];
	});
	return parts.join(', then ');
}
