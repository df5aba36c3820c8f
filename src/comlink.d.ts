/** The package ships this adapter's types beside another ending of its name. */
declare module 'comlink/dist/esm/node-adapter.mjs' {
	export { default } from 'comlink/dist/esm/node-adapter';
}
