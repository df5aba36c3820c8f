import { describe, expect, it } from 'vitest';
import { random } from '../../tests/laws/random';
import { quantities } from '../../src/core/instruments/reading';
import { printed, standIn, step, tempers } from './stand-in.mjs';

describe('a stand-in', () => {
	it('comes to the truth, with its noise about it, and loses some of its readings', () => {
		const { next } = random(3);
		for (const quantity of quantities) {
			const truth = { mass: 412, temperature: -18, 'gauge-pressure': 76_000 }[quantity];
			let one = standIn(quantity, 0, 0);
			const sent: number[] = [];
			let lost = 0;
			for (let s = 1; s <= 600; s++) {
				const { now, sent: reading } = step(one, truth, s * 1000, next);
				one = now;
				if (!reading) lost++;
				else if (s > 120) sent.push(reading.value);
			}
			const mean = sent.reduce((a, b) => a + b, 0) / sent.length;
			const { noise, drift_h, step: fine } = tempers[quantity];
			expect(Math.abs(mean - truth), quantity).toBeLessThan(noise * 0.3 + fine * 0.5 + Math.abs(drift_h) / 6);
			expect(lost, quantity).toBeGreaterThan(0);
			expect(lost, quantity).toBeLessThan(60);
		}
	});
	it('is silent when its battery is empty', () => {
		expect(step({ ...standIn('mass', 1, 0), battery: 0 }, 1, 1000, () => 0.9).sent).toBeNull();
	});
});

describe('a simulated printer', () => {
	it('prints what is a sheet, and is out of paper now and then', () => {
		const sheet = new TextEncoder().encode('%PDF-1.7 …');
		const { next } = random(5);
		const said = Array.from({ length: 400 }, () => printed(sheet, next));
		const failed = said.filter((s) => s.state === 'failed');
		expect(failed.length).toBeGreaterThan(2);
		expect(failed.length).toBeLessThan(40);
		expect(failed.every((s) => s.state === 'failed' && s.fault === 'no paper')).toBe(true);
		expect(printed(new TextEncoder().encode('<html>'), () => 0.9)).toMatchObject({ state: 'failed' });
	});
});
