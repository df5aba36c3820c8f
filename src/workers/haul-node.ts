import { parentPort } from 'node:worker_threads';
import { expose } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import loadHighs from 'highs';
import { highsSolver } from '../lib/haul/highs';
import { haulWork } from './haul-work';

/** The solver's thread on the server: for pages whose own browser cannot. */
if (parentPort) expose(haulWork(loadHighs().then(highsSolver)), nodeEndpoint(parentPort));
