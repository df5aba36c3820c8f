import { sayTemperature, sayVolume } from '../../../quantities/format';
import { about, still, type Around, type FreezeAct } from './act';
import { isIn } from './fold';
import { subjectOf } from './plan';

/** Water that is gone is topped up from a tenth of the pot on (common practice). */
const topUpFrom = 0.1;

/** A pot on its way: on, to the boil, topped up. */
export function kettleActs(around: Around, pot: number): FreezeAct[] {
	const { plan, state, now } = around;
	const kettle = state.kettles[pot];
	const water = plan.pots[pot];
	if (!kettle || !water) return [];
	const which = pot > 0 ? { pot } : {};
	const named = plan.pots.length > 1 ? `${water.name}: ` : '';
	if (
		!state.potfuls.some(
			(p) => subjectOf(plan, p.subject)?.pot === pot && (p.spot === 'waiting' || isIn(plan, p, 'pot'))
		)
	)
		return [];
	if (kettle.state === 'cold')
		return [
			{
				...still,
				key: `heat-${pot}`,
				kind: 'heat',
				...about(around, null, null),
				subject: null,
				task: 'heat',
				sentence: `${named}Put ${sayVolume(water.water_L, plan.units)} of water on, lid on, full heat.`,
				hint: 'First of all, while you wash and cut: the pot takes longest.',
				since: state.startedAt,
				button: { label: 'The pot is on', tap: { type: 'heat-on', ...which } },
				urgency: 10
			}
		];
	if (kettle.state === 'heating') {
		const due = kettle.since + water.toBoil_s * 1000;
		return [
			{
				...still,
				key: `boil-${pot}`,
				kind: 'boil',
				...about(around, null, null),
				subject: null,
				task: 'heat',
				sentence: `${named}Waiting for the boil.`,
				hint: `Water boils at ${sayTemperature(Math.round(water.boil_C * 10) / 10, plan.units)} up here. Tap when it rolls, sooner or later than the clock.`,
				due,
				since: kettle.since,
				clock: true,
				button: { label: 'It boils', tap: { type: 'boiling', ...which } },
				ready: now >= kettle.since + (due - kettle.since) * 0.5,
				urgency: now >= due ? 25 : 60
			}
		];
	}
	const free = !state.potfuls.some((p) => isIn(plan, p, 'pot') && subjectOf(plan, p.subject)?.pot === pot);
	if (!free || kettle.gone_L < water.water_L * topUpFrom) return [];
	const litres = Math.round(kettle.gone_L * 10) / 10;
	return [
		{
			...still,
			key: `water-${pot}`,
			kind: 'water',
			...about(around, null, null),
			subject: null,
			task: 'heat',
			sentence: `${named}Top up ${sayVolume(litres, plan.units)} of water.`,
			hint: 'Boiling from the kettle where you can: cold water only takes longer. The next potful waits for the boil.',
			since: kettle.since,
			button: {
				label: 'Topped up',
				tap: { type: 'water', ...which, mL: Math.max(1, Math.round(kettle.gone_L * 1000)) }
			},
			urgency: 3.8
		}
	];
}
