import { readFileSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** A route as the folder has it, so that a new one cannot be forgotten. */
export interface Route {
	/** "/stove/[run]/events" */
	readonly path: string;
	readonly page: boolean;
	/** Named form actions of the page. */
	readonly actions: readonly string[];
	/** Methods of an endpoint; `fallback` stands for all. */
	readonly methods: readonly string[];
}

const root = fileURLToPath(new URL('../../src/routes', import.meta.url));

/** All routes of the application, found by walking its folder. */
export function allRoutes(): Route[] {
	const routes: Route[] = [];
	const walk = (folder: string, path: string) => {
		const names = readdirSync(folder);
		const read = (name: string) => (names.includes(name) ? readFileSync(join(folder, name), 'utf8') : '');
		const page = names.includes('+page.svelte') || names.includes('+page.server.ts');
		const server = read('+page.server.ts');
		const from = server.indexOf('export const actions');
		const actions = from < 0 ? [] : [...server.slice(from).matchAll(/^\t(\w+): \(event\)/gm)].map((m) => m[1] ?? '');
		const methods = [
			...read('+server.ts').matchAll(/export const (GET|POST|PUT|PATCH|DELETE|OPTIONS|HEAD|fallback)\b/g)
		].map((m) => m[1] ?? '');
		// Models are made by one line each.
		if (names.includes('+server.ts') && methods.length === 0)
			throw new Error(`${path}: an endpoint whose methods are not found`);
		if (from >= 0 && actions.length === 0) throw new Error(`${path}: a page whose actions are not found`);
		if (page || methods.length > 0) routes.push({ path: path || '/', page, actions, methods });
		for (const name of names)
			if (statSync(join(folder, name)).isDirectory()) walk(join(folder, name), `${path}/${name}`);
	};
	walk(root, '');
	return routes;
}

/** The names of a route's parameters: "[run]" gives "run", "[...rest]" gives "rest". */
export const paramsOf = (path: string): string[] => [...path.matchAll(/\[(?:\.\.\.)?(\w+)\]/g)].map((m) => m[1] ?? '');

/** The path with its parameters filled in, as they are: already encoded. */
export const filled = (path: string, values: Readonly<Record<string, string>>): string =>
	path.replace(/\[(?:\.\.\.)?(\w+)\]/g, (_, name: string) => values[name] ?? 'x');
