import { expose } from 'comlink';
import { planFreezing } from '$core/freezing/freezer-week';
import { freezingCurve } from '$core/heat/freezing-curve';
import type { Models } from './protocol';

const models: Models = {
	curves: (asks, onProgress) =>
		asks.map((ask, i) => freezingCurve({ ...ask, onProgress: (share) => onProgress((i + share) / asks.length) })),
	freezer: (ask, onProgress) => planFreezing({ ...ask, onProgress })
};

expose(models);
