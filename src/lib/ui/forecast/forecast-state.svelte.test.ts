import { describe, expect, it } from 'vitest';
import { freezingCurve, type FreezingCurve } from '$core/heat/freezing-curve';
import { Forecast } from './forecast-state.svelte';
import type { Running } from './in-worker';

const ask = {
	food: {
		composition: { water: 0.9, protein: 0.02, fat: 0.005, carbohydrate: 0.045, fibre: 0.025, ash: 0.005 },
		freezing_C: -0.8
	},
	shape: 'slab',
	size_m: 0.03,
	start_C: 10,
	medium_C: -18,
	h_W_m2K: 8
} as const;
/** The core's own solver, on the same thread. */
const here = (onProgress: (share: number) => void): Running<FreezingCurve> => ({
	done: Promise.resolve().then(() => freezingCurve({ ...ask, onProgress })),
	stop: () => undefined
});

describe('a forecast on the page', () => {
	it('goes from working to done, with its progress', async () => {
		expect.assertions(4);
		const forecast = new Forecast<FreezingCurve>();
		const started = forecast.start(here);
		expect(forecast.phase).toBe('working');
		await started;
		expect(forecast.phase).toBe('done');
		expect(forecast.share).toBe(1);
		expect(forecast.answer?.points.at(-1)?.centre_C).toBe(-10);
	});
	it('is stopped by hand, keeps the answer before, and takes nothing that comes late', async () => {
		expect.assertions(4);
		const forecast = new Forecast<number>();
		await forecast.start(() => ({ done: Promise.resolve(1), stop: () => undefined }));
		let ended = 0;
		let finish: (n: number) => void = () => undefined;
		const late = forecast.start(() => ({ done: new Promise((done) => (finish = done)), stop: () => ended++ }));
		forecast.stop();
		finish(2);
		await late;
		expect(forecast.phase).toBe('stopped');
		expect(forecast.answer).toBe(1);
		expect(ended).toBe(1);
		forecast.stop();
		expect(ended).toBe(1);
	});
	it('stops the one before when asked anew', async () => {
		expect.assertions(3);
		const forecast = new Forecast<number>();
		let ended = 0;
		const first = forecast.start(() => ({
			done: new Promise((done) => setTimeout(() => done(1), 20)),
			stop: () => ended++
		}));
		const second = forecast.start(() => ({ done: Promise.resolve(2), stop: () => undefined }));
		await Promise.all([first, second]);
		expect(ended).toBe(1);
		expect(forecast.answer).toBe(2);
		expect(forecast.phase).toBe('done');
	});
	it('says what went wrong', async () => {
		expect.assertions(2);
		const forecast = new Forecast<number>();
		await forecast.start(() => ({ done: Promise.reject(new Error('The air is not colder.')), stop: () => undefined }));
		expect(forecast.phase).toBe('failed');
		expect(forecast.why).toBe('The air is not colder.');
	});
});
