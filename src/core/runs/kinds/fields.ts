import { commonFields, type Fields } from '../engine/event';
import { fields as breakDown } from './break-down/events';
import { fields as can } from './can/events';
import { fields as cookDown } from './cook-down/events';
import { fields as dry } from './dry/events';
import { fields as ferment } from './ferment/events';
import { fields as freeze } from './freeze/events';
import { fields as freezeDry } from './freeze-dry/events';
import { fields as kit } from './kit/events';
import { fields as ratio } from './ratio/events';
import { fields as seal } from './seal/events';
import { fields as store } from './store/events';

/** Every event that a run may know, with what it holds. */
export const allFields: Readonly<Record<string, Fields>> = {
	...commonFields,
	...freeze,
	...dry,
	...cookDown,
	...kit,
	...ratio,
	...freezeDry,
	...can,
	...breakDown,
	...ferment,
	...seal,
	...store
};
