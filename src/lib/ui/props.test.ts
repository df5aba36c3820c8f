import { readdirSync, readFileSync } from 'node:fs';
import { parse } from 'svelte/compiler';
import { describe, expect, it } from 'vitest';

/** What of the syntax tree is looked at. */
interface Named {
	type: string;
	name?: string;
	key?: { name?: string };
}
interface Declared {
	id: { type: string; properties?: Named[]; typeAnnotation?: { typeAnnotation: { type: string; members?: Named[] } } };
	init: { type: string; callee?: Named } | null;
}

/** Names that the type of `$props()` asks for and the component never takes. */
function unusedProps(code: string): string[] {
	const body = parse(code, { modern: true }).instance?.content.body ?? [];
	const all = body.flatMap((one) =>
		one.type === 'VariableDeclaration' ? (one.declarations as unknown as Declared[]) : []
	);
	return all
		.filter((one) => one.init?.type === 'CallExpression' && one.init.callee?.name === '$props')
		.flatMap(({ id }) => {
			const taken = id.properties ?? [];
			if (taken.some((p) => p.type === 'RestElement')) return [];
			const asked = id.typeAnnotation?.typeAnnotation.members ?? [];
			return asked.map((m) => m.key?.name ?? '').filter((name) => !taken.some((p) => p.key?.name === name));
		});
}

describe('what a component asks for', () => {
	it('is found where nothing takes it', () => {
		const code = (taken: string) =>
			`<script lang="ts">let { ${taken} }: { a: string; b?: number } = $props();</script>`;
		expect(unusedProps(code('a'))).toEqual(['b']);
		expect(unusedProps(code('a, b = 1'))).toEqual([]);
		expect(unusedProps(code('a, ...rest'))).toEqual([]);
	});
	it('is taken by every one of ours', () => {
		const files = readdirSync('src', { recursive: true, encoding: 'utf8' }).filter((f) => f.endsWith('.svelte'));
		expect(files.length).toBeGreaterThan(80);
		expect(files.flatMap((f) => unusedProps(readFileSync(`src/${f}`, 'utf8')).map((name) => `${f}: ${name}`))).toEqual(
			[]
		);
	});
});
