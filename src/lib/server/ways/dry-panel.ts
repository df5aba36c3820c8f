import { sayFraction, sayMinutes, sayTemperature, sayWeight, type Units } from '$core/quantities/format';
import { nextAt, sayTime } from '$core/quantities/dates';
import { cFromF } from '$core/quantities/units';
import { skinsOf } from '$core/drying/drying-time';
import { figureById } from '$core/freezing/freeze-look-up';
import { inTheSun, loadBy, otherAirs, type DryWay } from '$core/ways/dry-ways';
import type { GlanceWay } from '$core/ways/glance';
import { onTheClock } from '$core/ways/on-the-clock';
import { sources } from '$reference/sources';
import type { Fact, Switch } from '$lib/ui/ways/view';
import type { Look } from './look';
import { cautionsShown, each, fact, minor, startOf, oneOf, sourced, type Own } from './panel';
import { count } from './rows';

const hours = (h: number): string =>
	h < 10 ? `${Math.round(h * 2) / 2}`.replace('.5', '½').replace(/^0½/, '½') : `${Math.round(h)}`;

/** The dryer, opened. */
export function dryPanel(look: Look, dry: DryWay, row: GlanceWay, now: number): Own {
	const { units } = look.kitchen;
	const { time, trays, balance } = dry;
	return {
		gist: dry.row.cut,
		figure: { count: `${row.packs}`, unit: count(row.packs, 'quart jar'), each: each(row.each_g, look) },
		facts: [
			...beforeDrying(dry),
			fact(dry.oven ? 'in the oven' : 'in the dryer', hoursOf(dry), `air at ${sayTemperature(Math.round(time.air_C), units)}; ${dry.again ? 'by the hand: common practice' : time.asPrinted ? 'as printed for this piece' : `nine times in ten ${hours(time.interval_h[0])} to ${hours(time.interval_h[1])} h, printed ${time.printed_h.map(hours).join(' to ')}`}`), // prettier-ignore
			...byBreakfast(look, dry, now),
			fact('trays', `${trays.needed}`, `${sayWeight(trays.perTray_kg * 1000, units)} each`, trayTroubles(dry)),
			fact('done when', dry.row.test, `${sayWeight(balance.dry_kg * 1000, units)} are left, ${sayWeight(balance.water_kg * 1000, units)} of water gone`), // prettier-ignore
			...(dry.keeps ? [fact('keeps', keepsOf(dry.keeps), dry.keeps.at ?? '')] : []),
			...inSun(dry, units),
			...(dry.look.odour ? [minor('beside', '', dry.look.odour.words)] : []),
			...dry.look.heat.map((h) => fact('heat', h.F === undefined ? '' : sayTemperature(cFromF(h.F), units), '', h.words)) // prettier-ignore
		],
		switches: drySwitches(look, dry),
		more: [],
		clock: onTheClock(dry.work),
		steps: [],
		cut: null,
		notes: dry.again ? [dry.why] : [dry.row.pretreat, dry.why, ...(dry.oven ? [ovenWords(units)] : [])],
		recipe: null,
		cautions: cautionsShown(dry.look.cautions),
		source: sourced(sources[dry.row.source].short, dry.row.confidence),
		start: startOf(look),
		why: true
	};
}

/** Fruit may be dried in the sun, and under which conditions; of what may not nothing is said here. */
function inSun(dry: DryWay, units: Units): Fact[] {
	const { may, words } = inTheSun(dry, units);
	return may && !dry.again ? [minor('in the sun', 'it may be', words)] : [];
}

/** @source dry/oven-door, NCHFP, Drying (from memory) */
function ovenWords(units: Units): string {
	const { value } = figureById('dry/oven-door');
	const [low, high] = typeof value === 'number' ? [value, value] : value;
	const gap = units === 'us' ? `${low} to ${high} in` : `${Math.round(low * 2.54)} to ${Math.round(high * 2.54)} cm`;
	return `The oven at its lowest, ${sayTemperature(60, units)}, never hotter; its door propped open ${gap}, a fan at the gap. Somebody stays near, and nobody small is in the kitchen.`;
}

const beforeDrying = ({ blanch }: DryWay): Fact[] =>
	blanch
		? [
				fact(
					'first',
					`${sayMinutes(blanch.minutes)} in ${blanch.method === 'water' ? 'boiling water' : 'steam'}`,
					blanch.dip ? 'to crack the skins, then cold water' : 'the printed blanch, then cold and patted dry'
				)
			]
		: [];

/** Next morning, when somebody is up to take it off. */
const breakfast_h = 7;

/** When to load so that it is ready for breakfast: what takes a night is loaded the evening before. */
function byBreakfast(look: Look, dry: DryWay, now: number): Fact[] {
	const { zone } = look.kitchen;
	if (dry.trays.loads > 1 || dry.time.hours > 20) return [];
	const ready = nextAt(breakfast_h, now, zone);
	const { sure, middle } = loadBy(dry, ready);
	if (middle < now) return [];
	return [fact('by 07:00', `in at ${sayTime(middle, zone)}`, sure < now ? 'as likely before as after' : `nine times in ten if in by ${sayTime(sure, zone)}`)]; // prettier-ignore
}

const trayTroubles = ({ trays, dryer, usualDryer }: DryWay): string =>
	[
		trays.loads > 1 ? `${trays.loads} loads of your ${dryer.trays}` : '',
		usualDryer ? 'reckoned for a usual dryer: the Kitchen has none' : '',
		trays.needed < (dryer.leastTrays ?? 1) ? `your dryer wants ${dryer.leastTrays} at the least` : ''
	]
		.filter(Boolean)
		.join('; ');

const hoursOf = ({ time }: DryWay): string =>
	time.asPrinted ? `${time.printed_h.join(' to ')} h` : `about ${hours(time.hours)} h`;

const keepsOf = ({ time, unit }: NonNullable<DryWay['keeps']>): string =>
	`${time[0] === time[1] ? time[1] : time.join(' to ')} ${time[1] === 1 ? unit : `${unit}s`}`;

/** Short names of the rows; where two have the same, the whole of it. */
function rowNames({ rows }: DryWay) {
	const short = rows.map((r) => r.cut.split(/[,;:]/)[0] ?? r.cut);
	return rows.map((r, i) => ({
		value: r.id,
		words: short.filter((s) => s === short[i]).length > 1 ? r.cut : (short[i] ?? r.cut)
	}));
}

function drySwitches(look: Look, dry: DryWay): Switch[] {
	const { units } = look.kitchen;
	const query = look.readOf('dry').query;
	const { row, time } = dry;
	const printed_mm = row.thickness_in
		? Math.round(Math.sqrt(row.thickness_in[0] * row.thickness_in[1]) * 254) / 10
		: null;
	const blanches = !dry.straight && row.kind === 'vegetable' && (row.steam_min ?? row.water_min) !== null;
	return [
		...oneOf('dry', 'as', row.id, rowNames(dry)),
		...(time.asPrinted || printed_mm === null
			? []
			: oneOf('mm', 'cut', query.mm === undefined ? '' : String(query.mm), thicknesses(printed_mm, units))),
		...oneOf(
			'skin',
			'skin',
			query.skin ?? '',
			skinsOf(row).map((s) => ({ value: s === 'as the row' ? '' : s, words: s === 'as the row' ? 'as printed' : s }))
		),
		...(row.kind === 'fruit' || row.kind === 'vegetable'
			? oneOf('oven', 'in', query.oven ?? '', [
					{ value: '', words: 'the dryer' },
					{ value: 'yes', words: 'the oven, its door propped open' }
				])
			: []),
		...oneOf('air', 'air', query.air === undefined ? '' : String(query.air), airs(dry, units)),
		...(blanches
			? oneOf('blanch', 'blanched', query.blanch ?? '', [
					{ value: '', words: 'yes, as printed' },
					{ value: 'no', words: 'no: slower, and used within a month' }
				])
			: [])
	];
}

/** As printed, and what else is in use: cooler air with the hours that it costs. */
function airs(dry: DryWay, units: Units) {
	const [printed, ...others] = otherAirs(dry);
	if (!printed) return [];
	const say = (C: number) => sayTemperature(Math.round(C), units);
	return [
		{ value: '', words: `${say(printed.air_C)}, as printed` },
		...others.map((o) => {
			const more = Math.round(o.hours - printed.hours);
			return {
				value: String(Math.round(o.air_C)),
				words: `${say(o.air_C)}${more === 0 ? '' : `, ${more > 0 ? '+' : '−'}${Math.abs(more)} h`}`
			};
		})
	];
}

function thicknesses(printed_mm: number, units: Units) {
	const say = (mm: number) => (units === 'us' ? `${sayFraction(Math.max(0.125, mm / 25.4))} in` : `${mm} mm`);
	return [
		{ value: '', words: `as printed, ${say(printed_mm)}` },
		...(units === 'us' ? [3.2, 6.4, 9.5, 12.7] : [3, 5, 8, 12])
			.filter((mm) => Math.abs(mm - printed_mm) > 0.5)
			.map((mm) => ({ value: String(mm), words: say(mm) }))
	];
}
