import { describe, expect, it } from 'vitest';
import { commonFields } from '../engine/event';
import { allFields, kinds } from '.';

describe('the list of kinds', () => {
	it('has every event of every kind at the door, under a name that no other kind has', () => {
		const own = kinds.flatMap((k) => Object.keys(k.fields));
		expect(own.filter((name, i) => own.indexOf(name) !== i)).toEqual([]);
		expect(Object.keys(allFields).sort()).toEqual([...Object.keys(commonFields), ...own].sort());
		for (const kind of kinds)
			for (const [name, fields] of Object.entries(kind.fields)) expect(allFields[name], name).toBe(fields);
	});
	it('has each kind once, with a name', () => {
		expect(new Set(kinds.map((k) => k.id)).size).toBe(kinds.length);
	});
});
