import { expose } from 'comlink';
import loadHighs from 'highs';
import wasm from 'highs/runtime?url';
import { highsSolver } from '$lib/haul/highs';
import { haulWork } from './haul-work';

/** The solver's thread in the browser. */
expose(haulWork(loadHighs({ locateFile: (file: string) => (file.endsWith('.wasm') ? wasm : file) }).then(highsSolver)));
