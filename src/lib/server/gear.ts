import Joi from 'joi';
import { editMeasure, fieldUnit, parseMeasure } from '$core/quantities/parse-measure';
import { sayVolume, type Units } from '$core/quantities/format';
import { equipmentKinds, type EquipmentKind, type EquipmentSpec } from '$core/ways/equipment';
import { gearFields, type Field, type GearKind } from '$core/ways/equipment-fields';
import { potVolumeByMeasure_L } from '$core/ways/gear-words';
import { AppError } from './errors';
import { date, decimalWithin, id, key, line, measureWithin, parse } from './parse';
import type { GearPiece, GearValues } from './stores/gear';

const isMachine = (kind: GearKind): kind is EquipmentKind => (equipmentKinds as readonly string[]).includes(kind);
const kinds = Object.keys(gearFields) as GearKind[];

/** Lengths with commas between them, each in the household's unit unless it says its own. */
const lengths = (units: Units, low: number, high: number) =>
	Joi.string()
		.max(120)
		.custom((text: string, helpers) => {
			// A comma parts numbers; it is a decimal one only where others stand apart by a comma and a space.
			const between = /[,;]\s|;/.test(text) ? /,\s+|;\s*/ : /,/;
			const all = text.split(between).map((part) => parseMeasure(part, 'length', units));
			return all.length > 8 || all.some((m) => m === undefined || m < low || m > high)
				? helpers.message({
						custom: `{{#label}} are lengths in ${fieldUnit.length[units]} with commas between, such as 20, 28`
					})
				: all;
		});

function schemaOf(field: Field, units: Units): Joi.Schema {
	const { label } = field;
	switch (field.as) {
		case 'count':
			return Joi.number().integer().min(field.low).max(field.high).label(label);
		case 'number':
			return decimalWithin(field.low, field.high).label(label);
		case 'list':
			return lengths(units, field.low, field.high).label(label);
		case 'choice':
			return Joi.string()
				.valid(...Object.keys(field.choices))
				.label(label);
		case 'yes':
			return Joi.string().valid('yes').label(label);
		case 'date':
			return date().label(label);
		case 'many':
			return Joi.string().valid('yes').label(label);
		default:
			return measureWithin(field.as, units, field.low, field.high).label(label);
	}
}

/** A field with several ticks is several of the form. */
const manyName = (field: Field, choice: string) => `${field.name}-${choice}`;

/**
 * A thing of the Kitchen as its form has it.
 *
 * @throws {AppError} 400, every fault named; 422 POT_MEASURES
 */
export function readGear(fields: Record<string, string>, units: Units): { readonly key: string; readonly piece: GearPiece } {
	const kind = parse(Joi.string().valid(...kinds).required().label('What it is'), fields.kind) as GearKind;
	const own = gearFields[kind];
	const schema = own.flatMap((f): [string, Joi.Schema][] => {
		const one = schemaOf(f, units);
		if (f.as === 'many') return Object.keys(f.choices).map((c) => [manyName(f, c), one]);
		return [[f.name, f.optional || f.as === 'yes' || f.as === 'list' ? one : one.required()]];
	});
	const v = parse(
		Joi.object<Record<string, unknown>>({
			kind: Joi.string(),
			id: id().label('Which'),
			key: key(),
			name: line(60).required().label('The name'),
			...Object.fromEntries(schema)
		}),
		fields
	);
	const values = Object.fromEntries(
		own.map((f): [string, unknown] => {
			if (f.as === 'many') return [f.name, Object.keys(f.choices).filter((c) => v[manyName(f, c)] === 'yes')];
			if (f.as === 'yes') return [f.name, v[f.name] === 'yes'];
			if (f.as === 'list') return [f.name, v[f.name] ?? []];
			return [f.name, v[f.name] ?? null];
		})
	);
	const common = { id: (v.id as string | undefined) ?? null, name: v.name as string };
	const piece: GearPiece =
		kind === 'pot'
			? { kind, ...common, values: values as GearValues['pot'] }
			: kind === 'person'
				? { kind, ...common, values: values as unknown as GearValues['person'] }
				: { kind, ...common, values: values as unknown as EquipmentSpec };
	if (piece.kind === 'pot') checkPot(piece.values, units);
	return { key: v.key as string, piece };
} // prettier-ignore

/** Litres to the rim and measures say the same, or one of them is mistyped. */
function checkPot(pot: GearValues['pot'], units: Units): void {
	const measured = potVolumeByMeasure_L(pot.diameterM ?? null, pot.heightM ?? null);
	if (measured === null || Math.abs(measured / pot.litres - 1) <= 0.35) return;
	throw new AppError(
		422,
		'POT_MEASURES',
		`By its measures it holds ${sayVolume(measured, units)}, not ${sayVolume(pot.litres, units)}. Nothing was saved: look at both, or leave the measures empty.`,
		[{ field: 'litres', message: 'Does not fit its measures.' }]
	);
}

/** What a form's fields show of a thing that is there, or of a new one; as they are typed. */
export function shownGear(
	kind: GearKind,
	held: Readonly<Record<string, unknown>> | null,
	units: Units
): Record<string, string> {
	return Object.fromEntries(
		gearFields[kind].flatMap((f): [string, string][] => {
			const value = held ? held[f.name] : f.usual;
			if (f.as === 'many') {
				const all = Array.isArray(value) ? (value as string[]) : [];
				return Object.keys(f.choices).map((c) => [manyName(f, c), all.includes(c) ? 'yes' : '']);
			}
			if (value === null || value === undefined || value === false) return [[f.name, '']];
			if (f.as === 'yes') return [[f.name, 'yes']];
			if (f.as === 'list') {
				const all = Array.isArray(value) ? (value as number[]) : String(value).split(', ').map(Number);
				return [[f.name, all.map((m) => editMeasure(m, 'length', units)).join(', ')]];
			}
			if (f.as === 'count' || f.as === 'number' || f.as === 'choice' || f.as === 'date')
				return [[f.name, String(value)]];
			return [[f.name, editMeasure(Number(value), f.as, units)]];
		})
	);
}

/** Whether its kind is a machine's, a pot's, a helper's: where it is dropped from. */
export const dropsAs = (kind: GearKind): 'gear' | 'pot' | 'person' => (isMachine(kind) ? 'gear' : (kind as 'pot'));
