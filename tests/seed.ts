import { configureGlobal } from 'fast-check';

/** `npm test` asks the same cases every time, so that red means that something was changed; `npm run siege` asks new ones. */
configureGlobal({ seed: Number(process.env.SIEGE_SEED ?? 7) });
