import { existsSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { draw } from '../models/figure';
import { measured } from '../models/measure';

const page = readFileSync('docs/models.md', 'utf8');

describe('docs/models.md', () => {
	it.each(Object.entries(measured))(
		'%s: its plot and its figures are those that the model gives now',
		(name, measure) => {
			const { plot, says } = measure();
			expect(page, `run npm run models`).toContain(`(models/${name}.svg)`);
			for (const words of says) expect(page, `${name} says "${words}"`).toContain(words);
			expect(readFileSync(`docs/models/${name}.svg`, 'utf8'), 'run npm run models').toBe(draw(plot));
		}
	);
	it('shows no plot that is not measured', () => {
		for (const [, name = ''] of page.matchAll(/\(models\/([a-z-]+)\.svg\)/g)) {
			expect(existsSync(`docs/models/${name}.svg`), name).toBe(true);
			expect(Object.keys(measured)).toContain(name);
		}
	});
});
