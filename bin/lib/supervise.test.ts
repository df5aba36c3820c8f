import { describe, expect, it } from 'vitest';
import { steadily, wasCutOff } from './supervise.mjs';

const never = new Promise<never>(() => {});
const standing = { ended: () => never, again: () => Promise.reject(new Error('it had not ended')) } as unknown as NonNullable<Parameters<typeof steadily>[0]>; // prettier-ignore

describe('work before the database is looked after', () => {
	// One start in some hundred kills of a backend ended here: the database stood, its connections were gone.
	it('is done again where only its connection was lost', async () => {
		let tries = 0;
		const work = () =>
			++tries < 3 ? Promise.reject(new Error('Connection terminated unexpectedly')) : Promise.resolve('done');
		expect(await steadily(standing, work)).toBe('done');
		expect(tries).toBe(3);
	});
	it('ends where the work itself was wrong', async () => {
		const wrong = Object.assign(new Error('relation "x" does not exist'), { code: '42P01' });
		await expect(steadily(standing, () => Promise.reject(wrong))).rejects.toBe(wrong);
	});
	it('does not go on for ever', async () => {
		let tries = 0;
		const work = () => Promise.reject(Object.assign(new Error('no'), { code: '57P03', tries: ++tries }));
		await expect(steadily(standing, work)).rejects.toThrow('no');
		expect(tries).toBe(5);
	}, 30_000);
	it('tells a lost connection from a fault', () => {
		for (const code of ['08006', '57P01', '57P02', '57P03', 'ECONNRESET', 'ECONNREFUSED', 'EPIPE'])
			expect(wasCutOff({ code, message: '' }), code).toBe(true);
		for (const code of ['42P01', '23505', 'EACCES', '']) expect(wasCutOff({ code, message: 'no' }), code).toBe(false);
	});
});
