import fc from 'fast-check';
import { expect, it } from 'vitest';
import { fromWireText, toWireText } from './wire-text';

it('comes back as it was, whatever stands in it', () => {
	fc.assert(
		fc.property(fc.jsonValue({ stringUnit: 'binary' }), (value) => {
			const json = JSON.stringify(value);
			expect(fromWireText(toWireText(json))).toEqual(JSON.parse(json));
			expect(toWireText(json)).not.toContain('"');
		})
	);
	expect(fromWireText(toWireText(JSON.stringify(['¬', '"¬"', '\\u00ac'])))).toEqual(['¬', '"¬"', '\\u00ac']);
});
