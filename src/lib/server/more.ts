import { nearNames, understand } from '$core/things/understand';
import { dateIn, daysBetween } from '$core/freezing/keep';
import { capacities } from '$core/ways/capacity';
import type { Stores } from './stores';

/**
 * What could still be taken on of a food by a day, as the address asks (`more`, `by`); without one, nothing.
 * An unknown food or a day that has been is said in words.
 */
export async function moreOf(stores: Stores, params: URLSearchParams, now: Date, zone: string) {
	const today = dateIn(zone, now.getTime());
	const more = (params.get('more') ?? '').trim().slice(0, 60);
	const given = params.get('by') ?? '';
	const by = /^\d{4}-\d{2}-\d{2}$/.test(given) ? given : dateIn(zone, now.getTime() + 2 * 86_400_000);
	const asked = { more, by, least: today };
	if (more === '') return { asked, answer: null };
	const named = understand(more);
	if (named.kind === 'refused') return { asked, answer: { problem: named.refusal.reason } };
	if (named.kind === 'asked')
		return {
			asked,
			answer: { problem: `${named.question} Say one of: ${named.choices.map((c) => c.text).join(', ')}.` }
		};
	if (named.kind === 'unknown') {
		const near = nearNames(more, 3).map((f) => f.name);
		const hint = near.length > 0 ? ` Near it: ${near.join(', ')}.` : '';
		return { asked, answer: { problem: `No food named “${more}” is known.${hint}` } };
	}
	const { thing } = named;
	const days = daysBetween(today, by) + 1;
	if (!(days >= 1)) return { asked, answer: { problem: 'That day has been: choose today or a later one.' } };
	if (days > 60) return { asked, answer: { problem: 'Two months ahead at the most can be summed up.' } };
	const kitchen = await stores.home.kitchen();
	const jar = kitchen.people >= 4 ? ('quart' as const) : ('pint' as const);
	const list = capacities({ thing: { ...thing, identified: true }, kitchen, days, jar, now: now.getTime() });
	return {
		asked,
		answer: {
			name: thing.called,
			days,
			ways: list.map((c) => ({
				name: c.name,
				kg: c.takes.kg,
				ends: c.takes.binds?.name ?? null,
				next: c.takes.by[1]?.resource.name ?? null,
				missing: c.missing
			}))
		}
	};
}
