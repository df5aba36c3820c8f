import { editWeight } from '$core/quantities/parse-weight';
import { sayCount, sayDuration, sayTemperature, sayVolume, sayWeight, type Units } from '$core/quantities/format';
import { packStyleNames } from '$core/packing/pack-style';
import type { FreezeEntry } from '$core/ways/all-ways';
import type { FreezeWay } from '$core/ways/freeze-way';
import { isMixture } from '$core/ways/mixture-ways';
import { onTheClock } from '$core/ways/on-the-clock';
import type { Fact, Switch } from '$lib/ui/ways/view';
import type { Look } from './look';
import { cautionsShown, each, fact, minor, oneOf, sourced, startOf, type Own } from './panel';
import { count } from './rows';

/** One way into the freezer, opened. */
export function freezePanel(look: Look, entry: FreezeEntry, way: FreezeWay): Own {
	const { units } = look.kitchen;
	const total = way.packs.count + (way.second?.count ?? 0);
	return {
		gist: way.gist,
		figure: {
			count: `${total}`,
			unit: count(total, 'pack'),
			each: way.second
				? `${way.packs.count} of ${sayWeight(way.packs.portion_g, units)}, ${way.second.count} of ${sayWeight(way.second.portion_g, units)}`
				: `${each(way.packs.portion_g, look)}${way.packs.remainder_g > 0 ? `, ${sayWeight(way.packs.remainder_g, units)} over` : ''}`
		},
		facts: [
			minor(
				'ready',
				sayWeight(way.prepared_g, units),
				`${Math.round(way.yieldShare * 100)} % of it, ${way.cut.name}${way.sugar ? `, with ${sayWeight(way.sugar.grams, units)} of sugar` : ''}${ownWords(look, way.cut.id)}`
			),
			...heat(way, units),
			...ice(way, units),
			...cold(look, way),
			...drawer(way),
			minor('keeps', `${way.months[0] === way.months[1] ? way.months[1] : way.months.join(' to ')} months`, `at ${sayTemperature(-18, units)}, best quality`) // prettier-ignore
		],
		switches: switchesOf(look, entry),
		more: moreOf(look, entry),
		clock: onTheClock(way.work),
		steps: way.steps,
		notes: [`To use: ${way.use}`, ...way.notes],
		recipe: null,
		cut: isMixture(look.thing) ? null : way.cut.id,
		cautions: cautionsShown(way.cautions),
		source: sourced(way.source, way.confidence),
		start: startOf(look),
		why: true
	};
}

/** "; by your own 6 batches, 79 to 86; the table says 86": whose share it is reckoned with. */
function ownWords({ own, thing }: Look, cut: string): string {
	const learned = own.find((o) => o.cut === cut);
	if (!learned || isMixture(thing)) return '';
	const percent = (share: number) => Math.round(share * 100);
	return `; by your own ${sayCount(learned.batches, 'batch', 'batches')}, ${percent(learned.low)} to ${percent(learned.high)}; the table says ${percent(learned.table)}`;
}

/** How long the boil takes to come back: by the burner's power at most so long; once it was seen, so long. */
const backWords = (s: number, pot: FreezeWay['pot']): string =>
	pot?.boilsSeen
		? `about ${sayDuration(s)}, as in your last ${sayCount(pot.boilsSeen, 'run')} with ${pot.name}`
		: `${sayDuration(s)} at most`;

function heat(way: FreezeWay, units: Units): Fact[] {
	const { line } = way;
	if (!line && way.method === 'raw') return [];
	const [first = '', ...rest] = way.blanchWords.split(',');
	const potfuls = line
		? `${sayCount(line.potfuls, 'potful')} of ${sayWeight(line.potful_kg * 1000, units)} in ${
				way.row?.method === 'steam' ? 'the steamer' : `${sayVolume(line.water_L, units)}, ${way.pot?.name ?? ''}`
			}; ${sayDuration(line.toBoil_s)} to the boil`
		: '';
	const again = line && way.row?.method !== 'steam' ? `it boils again after ${backWords(line.reboil_s, way.pot)}` : '';
	const words = [rest.join(',').trim(), potfuls, line?.reboilLate ? '' : again].filter(Boolean).join('; ');
	return [fact('in the heat', first, words, line?.reboilLate ? again : '')];
}

function ice({ line, ice: wants, method }: FreezeWay, units: Units): Fact[] {
	if (!line) return method === 'cook' ? [fact('then', 'cold through', 'in cold water or spread out')] : [];
	if (line.ice_kg <= 0) return [fact('in the cold', sayDuration(line.chill_s), 'cold tap water is enough')];
	return [
		fact(
			'in the ice',
			sayDuration(line.chill_s),
			`${sayWeight(line.ice_kg * 1000, units)} of ice in all, ${sayWeight(line.icePerPotful_kg * 1000, units)} a potful`,
			wants && wants.short_kg > 0.05 ? `short: ${sayWeight(wants.short_kg * 1000, units)} more to make or buy` : ''
		)
	];
}

function cold({ kitchen }: Look, way: FreezeWay): Fact[] {
	const { trays, freezer } = way;
	const strong =
		way.style === 'mould'
			? `${sayCount(trays.rounds, 'filling')} of ${sayWeight(trays.perTray_kg * 1000, kitchen.units)}`
			: `${sayCount(trays.needed, 'trayful')}${trays.rounds > 1 ? `, ${trays.rounds} rounds with your ${kitchen.trays}` : ''}`;
	const load = freezer.overload
		? `${freezer.days} days: the freezer should take ${sayWeight(freezer.dayLoad_kg * 1000, kitchen.units)} in one`
		: '';
	const room = freezer.fits ? '' : `only ${sayVolume(kitchen.freezerFree_L, kitchen.units)} are free`;
	return [minor('to freeze', strong, `look after ${way.firstLook_h} h (practice)`, [load, room].filter(Boolean).join('; '))]; // prettier-ignore
}

function drawer({ packs, second }: FreezeWay): Fact[] {
	return [packs, ...(second ? [second] : [])].map((p) => {
		if (p.problem) return fact('into', '', '', p.problem);
		const { name = '' } = p.container ?? {};
		return minor('into', name, p.headspace, p.short > 0 ? `short: ${p.short} more needed` : '');
	});
}

function switchesOf(look: Look, { becomes, ways, way, cuts, sizes }: FreezeEntry): Switch[] {
	const query = look.readOf(becomes).query;
	const fault = look.faults.find((f) => f.field === 'portion');
	const said = query.portion ?? '';
	const words = look.readOf(becomes).choices.words;
	const { food } = look.thing;
	return [
		...oneOf(
			'cut',
			'cut',
			ways.cut?.id ?? '',
			cuts.map((c) => ({ value: c.id, words: c.name }))
		),
		...oneOf(
			'size',
			'size',
			way.id,
			sizes.map((s) => ({ value: s.id, words: s.words }))
		),
		...(becomes === 'sugar'
			? []
			: oneOf(
					'packed',
					'packed',
					ways.style,
					ways.styles.map((s) => ({ value: s, words: packStyleNames[s] }))
				)),
		{
			kind: 'typed',
			name: 'portion',
			label: 'a pack',
			value: fault?.typed ?? (words || said.includes('+') ? said : editWeight(ways.portion_g, look.kitchen.units)),
			words,
			fault: fault?.message ?? null,
			suggest: [
				...look.home.recipes.filter((r) => r.food === food.id).map((r) => r.name),
				`for ${look.kitchen.people}`,
				'1 pint',
				'2 cups'
			],
			hint: '500 g, 2 cups, 4 ears, for 4, two sizes as 500 g + 250 g, or a recipe of yours'
		}
	];
}

function moreOf(look: Look, { becomes, way }: FreezeEntry): Switch[] {
	const { kitchen } = look;
	const query = look.readOf(becomes).query;
	const open = way.kind === 'way' ? way : null;
	return [
		...(open?.pot
			? oneOf(
					'pot',
					'pot',
					open.pot.id,
					kitchen.pots.map((p) => ({ value: p.id, words: `${p.name}, ${sayVolume(p.litres, kitchen.units)}` }))
				)
			: []),
		...(open?.line?.reboilLate || query.potfuls
			? oneOf('potfuls', 'potfuls', query.potfuls ?? '', [
					{ value: '', words: 'as large as the pot takes' },
					{ value: 'small', words: 'that boil again within a minute' }
				])
			: []),
		...oneOf('container', 'into', query.container ?? '', [
			{ value: '', words: 'the smallest that fits' },
			...kitchen.containers.map((c) => ({ value: c.id, words: `${c.name} (${c.count})` }))
		])
	];
}
