import { kPaOf } from '$core/canning/find-process';
import { heatWords, lostWords, restartWords, wordWords } from '$core/canning/record-words';
import { dateIn } from '$core/freezing/keep';
import { sayDate, sayTime } from '$core/quantities/dates';
import { sayAltitude, sayCount, sayDuration, sayPressure, sayWeight } from '$core/quantities/format';
import type { CanningLog } from '$core/runs/engine/book';
import type { Thing } from '$core/things/thing';
import { foodCard } from '../food-card';
import type { Block, Paper } from '../labels/paper.mjs';
import { shelvesOf } from '../shelves';
import type { Stores } from '../stores';
import type { BatchRow } from '../stores/batches';
import type { HouseholdRow } from '../stores/households';
import { tableKitchen } from '../tables';

/** Of each place so many lots: a list for the door of a freezer, not an archive. */
const mostLots = 400;

/** Everything that stands anywhere, place by place, with room for a pencil. */
export async function shelfPaper(stores: Stores, household: HouseholdRow, now: Date): Promise<Paper> {
	const { groups, totals } = await shelvesOf(stores, household, now, { most: mostLots });
	const today = dateIn(household.zone, now.getTime());
	const places = groups.flatMap((g) => g.places).filter((p) => p.lots.length > 0);
	return {
		title: 'What stands where',
		under: `${household.name}, ${sayDate(today)}`,
		large: [
			{ label: 'packs', main: `${totals.packs}` },
			{ label: 'jars', main: `${totals.jars}` },
			{ label: 'loose', main: sayWeight(totals.loose_g, household.units) }
		],
		blocks: places.map((place): Block => ({
			heading: place.name,
			lines: place.more > 0 ? [`${sayCount(place.more, 'newer lot')} of this place are not on this list.`] : [],
			table: {
				head: ['there', 'what', 'since', 'eat', 'code', 'now'],
				rows: place.lots.map((l) => [
					l.all,
					[l.title, l.detail].filter(Boolean).join(', '),
					l.packed,
					l.stop ? `not for eating: ${l.stop.reason}` : l.until,
					l.code ?? '',
					'______'
				]),
				wide: 1,
				right: [0]
			}
		})),
		foot: 'What turns first stands first. Write what is left beside it, and count it in when you are back.'
	};
}

/** The process of a batch of jars, to be kept with them. @param log of the batch's closing */
export function canningPaper(batch: BatchRow, log: CanningLog, household: HouseholdRow): Paper {
	const { zone, units } = household;
	const pressure = log.heat === 'pressure';
	const acid = log.loads.some((l) => l.acid);
	const heat = `${heatWords[log.heat] ?? log.heat}${log.psi === null ? '' : `, ${sayPressure(log.psi, kPaOf(log.psi), units)} by a ${log.gauge === 'dial' ? 'dial' : 'weight'}`}, ${log.canner}`;
	return {
		title: `Canning record: ${batch.title}`,
		under: `${household.name}, ${sayDate(batch.packedOn)}, batch ${batch.code}`,
		large: [
			{ label: 'jars', main: `${log.loads.reduce((all, l) => all + l.jars, 0)} ${log.jar}s` },
			{ label: 'by the table', main: [...new Set(log.loads.map((l) => `${l.minutes} min`))].join(', ') },
			{ label: 'altitude', main: sayAltitude(log.altitude_m, units) }
		],
		blocks: [
			{
				lines: [
					`Product: ${log.product}, ${log.style} pack.`,
					`Heated in ${heat}.`,
					...(log.dialTested ? [`Dial tested ${sayDate(log.dialTested)}.`] : []),
					`Table: ${log.table}`,
					...(batch.voidedAt ? ['This entry was set aside: its run was opened again.'] : [])
				]
			},
			{
				heading: 'Loads',
				table: {
					head: [
						'load',
						'jars',
						...(acid ? ['acid in each'] : []),
						...(pressure ? ['vented'] : []),
						'held',
						'held for',
						'by the table'
					],
					rows: log.loads.map((l) => [
						`${l.n}`,
						`${l.jars}`,
						...(acid ? [l.acid ?? ''] : []),
						...(pressure
							? [
									l.ventFrom !== null && l.ventTo !== null
										? `${sayTime(l.ventFrom, zone)} to ${sayTime(l.ventTo, zone)}`
										: ''
								]
							: []),
						`${sayTime(l.heldFrom, zone)} to ${sayTime(l.heatOff, zone)}`,
						sayDuration((l.heatOff - l.heldFrom) / 1000),
						`${l.minutes} min`
					]),
					wide: acid ? 2 : 1
				}
			},
			{
				heading: log.loads.some((l) => l.restarts.length + l.words.length > 0) ? 'What happened' : '',
				lines: log.loads.flatMap((l) => [
					...l.restarts.map(
						(r) => `Load ${l.n}, ${sayTime(r.at, zone)}: ${restartWords[r.why] ?? r.why}${lostWords(r.lost_s)}.`
					),
					...l.words.map(
						(w) =>
							`Load ${l.n}, ${sayTime(w.from, zone)} to ${sayTime(w.to, zone)} without a reading: ${wordWords(w.word)}.`
					)
				])
			}
		],
		foot: 'Kept with the jars. Times are the table’s; where your food authority says otherwise, that holds.'
	};
}

/** A food's card for the kitchen wall, for this kitchen. */
export async function foodPaper(stores: Stores, household: HouseholdRow, thing: Thing): Promise<Paper> {
	const kitchen = await tableKitchen(household, stores);
	const card = foodCard(thing, kitchen, '');
	const name = thing.kind?.name ?? thing.food.name;
	return {
		title: name.charAt(0).toUpperCase() + name.slice(1),
		under: `For ${household.name}${kitchen.altitude_m === null ? ', altitude not set: no canning time is shown' : `, ${sayAltitude(kitchen.altitude_m, household.units)}`}`,
		large: card.large.slice(0, 5).map(({ label, main }) => ({ label, main })),
		blocks: [
			...card.sections.map((s): Block => {
				const printed = s.main.some((l) => l.amount.printed);
				return {
					heading: s.name,
					lines: [
						...(s.partly ? [`Not as it is. ${s.partly.reason} Instead: ${s.partly.instead.join('; ')}.`] : []),
						...s.words
					],
					table: {
						head: ['what', 'how much', ...(printed ? ['as printed'] : []), ''],
						// A time never stands without its product: the group is in every row.
						rows: s.main.map((l) => [
							[l.group, l.what, l.at, l.note].filter(Boolean).join(', '),
							l.amount.main,
							...(printed ? [l.amount.printed ?? ''] : []),
							l.mark
						]),
						wide: 0,
						right: [1]
					}
				};
			}),
			...card.sections.flatMap((s) =>
				s.notes.length > 0
					? [{ heading: `Whose word: ${s.name}`, lines: s.notes.map((n) => `${n.mark}  ${n.text}`) }]
					: []
			),
			...(card.refused.length > 0
				? [
						{
							heading: 'Not advised',
							lines: card.refused.map(
								(s) => `${s.name}: ${s.refusal?.reason ?? ''} Instead: ${s.refusal?.instead.join('; ') ?? ''}.`
							),
							stop: true
						}
					]
				: []),
			{ heading: 'Mind', lines: card.cautions.map((c) => c.text) }
		],
		foot: '“From memory” means recalled from the publication, not looked up: check it in your own copy.'
	};
}
