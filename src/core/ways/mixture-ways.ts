import { sources } from '../../reference/sources';
import type { Refusal } from '../errors';
import { advise } from '../safety/advise';
import { governing, partsOf, thingsIn } from '../things/mixture';
import type { Thing } from '../things/thing';
import type { FreezeWay, Ways, WaysInput } from './freeze-way';

/** Whether a thing is of several foods: no time of one of them is ever shown for all. */
export const isMixture = (thing: Thing): thing is Thing & { readonly madeOf: NonNullable<Thing['madeOf']> } =>
	thing.madeOf !== undefined && thing.madeOf.length > 1;

const apart = (thing: Thing) => [
	'Keep its parts as lots of their own, each by its own way, and mix them when they are cold or dry',
	`Cook it, and say it as a dish: “2 L vegetable soup” instead of ${thing.called}`
];

/**
 * Freezing a mixture: raw, where every part of it may be; else its parts want different heat, and each is named with its own.
 *
 * @param one the ways of a single food
 * @throws {DomainError} BAD_MIXTURE, and whatever the ways of a food throw
 */
export function mixtureFreezeWays(input: WaysInput, one: (input: WaysInput) => Ways): Ways {
	const { thing } = input;
	const parts = thingsIn(thing);
	const shares = partsOf(thing.madeOf ?? []);
	const each = parts.map((part, i) => {
		const grams = Math.max(1, Math.round(input.grams * (shares[i]?.share ?? 1)));
		return { part, ways: one({ ...input, thing: part, grams, choices: {} }) };
	});
	const heats = each.map(({ part, ways }) => {
		const way = ways.ways.find((w): w is FreezeWay => w.kind === 'way' && w.method !== 'raw');
		const raw = ways.ways.some((w) => w.kind === 'way' && w.method === 'raw');
		return `${part.food.name} ${way?.line ? way.blanchWords : way ? 'cooked first' : raw ? 'raw' : 'not by itself'}`;
	});
	const raws = each.map(({ ways }) => ways.ways.find((w): w is FreezeWay => w.kind === 'way' && w.method === 'raw'));
	// Frozen already, or out: where no part has a way, the reason of the first is that of all.
	const none = each.some(({ ways }) => ways.ways.some((w) => w.kind === 'way'))
		? undefined
		: each[0]?.ways.ways.find((w) => w.kind === 'refused');
	const worst = governing(thing.madeOf ?? []).row;
	const lead = parts.find((p) => p.food.id === worst.id) ?? thing;
	// What is mixed is made ready already: its own cut, and nothing of it goes.
	const cut = lead.food.cuts[0];
	const whole = one({ ...input, thing: { ...lead, called: thing.called, form: cut?.id ?? lead.form } });
	const rawWhole = whole.ways.find((w): w is FreezeWay => w.kind === 'way' && w.method === 'raw');
	if (rawWhole && raws.every((w) => w !== undefined) && advise(thing, 'freeze-raw').kind === 'allowed') {
		const months = raws.map((w) => w?.months ?? [0, 0]).reduce((a, b) => (b[1] < a[1] ? b : a));
		const shortest = raws.reduce((a, b) => ((b?.keepsUntil ?? '') < (a?.keepsUntil ?? '') ? b : a), raws[0]);
		const together = `All of it may be frozen raw: ${parts.map((p) => p.food.name).join(', ')}. The weakest of them sets the date.`;
		const timed = each.some(({ ways }) => ways.ways.some((w) => w.kind === 'way' && w.line));
		const longer = `Blanched it keeps longer, each part by itself and mixed when it is cold: ${heats.join('; ')}.`;
		const way = {
			...rawWhole,
			months,
			keepsUntil: shortest?.keepsUntil ?? rawWhole.keepsUntil,
			notes: [together, ...(timed ? [longer] : [])]
		};
		return { ...whole, ways: [way] };
	}
	return {
		...whole,
		ways: [
			{
				kind: 'refused',
				id: 'mixture',
				becomes: 'raw',
				name: 'Freeze it as it is',
				gist: none?.gist ?? 'its parts want different heat',
				...(none ?? {
					reason: `Its parts want different heat: ${heats.join('; ')}. No one time is right for all of them.`,
					source: sources.nchfpBlanching.title
				}),
				instead: [...new Set([...(none?.instead ?? []), ...apart(thing)])]
			}
		]
	};
}

/** A mixture in the dryer: its parts dry in their own hours. */
export const mixtureNotDried = (thing: Thing): Refusal => ({
	kind: 'refused',
	reason: `Its parts dry in their own hours, and none are printed for ${thing.called} as a whole.`,
	source: sources.ugaDrying.title,
	instead: ['Dry each by itself, on trays of its own, and mix them in the jar', ...apart(thing).slice(1)]
});
