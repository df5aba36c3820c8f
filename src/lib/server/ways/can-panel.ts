import { dateIn } from '$core/freezing/keep';
import { dialWarning } from '$core/ways/gear-changes';
import type { GlanceWay } from '$core/ways/glance';
import { onTheClock } from '$core/ways/on-the-clock';
import { isJarOf, jarSizes } from '$reference/canning-rules';
import type { Fact, Switch } from '$lib/ui/ways/view';
import { shownJar } from '../jars';
import { canSlug, type CanEntry, type Look } from './look';
import { beginsAt, cautionsShown, each, fact, oneOf, sourced, type Own } from './panel';
import { count } from './rows';

/** A tested product in jars, opened; without amounts where the guide prints none to a jar. */
export function canPanel(look: Look, can: CanEntry, row: GlanceWay | null, now: Date): Own {
	const { units, containers } = look.kitchen;
	const jar = shownJar(can.way, look.thing.food.id, units);
	const loads = row?.loads;
	return {
		gist: `${can.way.style} pack`,
		figure:
			row && can.way.jars
				? {
						count: `${row.packs}`,
						unit: count(row.packs, can.way.jar),
						each: `${each(row.each_g, look)}${can.way.jars.note ? `; ${can.way.jars.note}` : ''}`
					}
				: { count: '', unit: `in ${can.way.jar}s`, each: 'the guide prints no weight to a jar' },
		facts: [
			...jar.heats.map((h, i) => fact(i === 0 ? 'canner' : 'or', `${h.minutes} min`, h.where)),
			...(loads && loads.loads.length > 0
				? [fact('loads', loads.loads.map((l) => l.jars).join(' + '), `your canner holds ${loads.perLoad}`)]
				: []),
			...(jar.acid ? [fact('into each jar', jar.acid)] : []),
			fact('headspace', jar.headspace, jar.sterile ? 'jars sterilised first' : 'hot, clean jars'),
			...(jar.testedJar ? [fact('tested in', `${jar.testedJar}s`, 'its time is used')] : []),
			...(loads
				? [
						fact(
							'drawer',
							`${row?.packs ?? 0} ${can.way.jar} jars, ${loads.lids} new lids`,
							jarsHad(containers, can),
							row?.missing ? `short: ${row.missing}` : ''
						)
					]
				: []),
			...dialOf(look, can, now),
			...jar.mind.map((m) => fact('mind', '', '', m))
		],
		switches: canSwitches(look, can),
		more: [],
		clock: row && loads ? onTheClock(row.work, loads) : null,
		steps: [jar.prepare, ...(can.way.processes.some((p) => p.method === 'pressure') ? can.all.steps.pressure : can.all.steps.water)],
		cut: null,
		notes: [],
		recipe: jar.ingredients.length > 0 ? { lines: jar.ingredients, makes: jar.makes, keep: jar.keep } : null,
		cautions: cautionsShown(can.way.cautions()),
		source: `${sourced(jar.source, jar.confidence)}${jar.once ? ', recalled once' : ''}`,
		start: beginsAt(look.free_g, beginOf(look, can), 'Into jars at the Stove'),
		why: true
	}; // prettier-ignore
}

/** The page that begins it, with what is chosen here. */
function beginOf({ lot, shown_g, whole_g }: Look, { way }: CanEntry): string {
	const asked = new URLSearchParams({ lot: lot.id, product: way.product.id, style: way.style, jar: way.jar });
	if (shown_g !== whole_g) asked.set('grams', `${Math.round(shown_g)}`);
	return `/stove/can?${asked.toString()}`;
}

/** A dial that wants to be tested is said where its pressure is. */
function dialOf({ kitchen }: Look, { way }: CanEntry, now: Date): Fact[] {
	if (!way.processes.some((p) => p.gauge === 'dial')) return [];
	const said = kitchen.canners.map((c) => dialWarning(c, dateIn(kitchen.zone, now.getTime()))).find(Boolean);
	return said ? [fact('the dial', '', '', said)] : [];
}

/** Jars of that size that were counted; nothing where nobody counted any. */
function jarsHad(containers: Look['kitchen']['containers'], { way }: CanEntry): string {
	const own = containers.filter((c) => c.kind === 'jar' && isJarOf(c.volume_mL, way.jar));
	return own.length > 0 ? `${own.reduce((sum, c) => sum + c.count, 0)} jars there` : '';
}

function canSwitches(look: Look, can: CanEntry): Switch[] {
	const tested = new Set(can.ways.map((w) => w.style));
	const query = look.readOf(canSlug(can.id)).query;
	return [
		...oneOf(
			'style',
			'packed',
			can.way.style,
			(['hot', 'raw'] as const).map((s) => ({
				value: s,
				words: s,
				...(tested.has(s) ? {} : { off: 'no tested time' })
			}))
		),
		...oneOf(
			'jar',
			'jar',
			query.jar ?? can.way.jar,
			jarSizes.map((j) => ({ value: j, words: `${j}s` }))
		)
	];
}
