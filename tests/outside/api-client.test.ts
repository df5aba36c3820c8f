import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createClient } from '@hey-api/openapi-ts';
import { BaseResolver, createConfig, lintDocument, makeDocumentFromString } from '@redocly/openapi-core';
import ts from 'typescript';
import { afterAll, describe, expect, it } from 'vitest';
import { openApi } from '../../src/lib/server/api/openapi';

// Inside the project, so that what is generated finds its types; ignored by git and gone at the end.
const results = join(import.meta.dirname, '../../test-results');
mkdirSync(results, { recursive: true });
const ground = mkdtempSync(join(results, 'client-'));
afterAll(() => rmSync(ground, { recursive: true, force: true }));

describe('the open description, outside', () => {
	it('passes the recommended rules of a common linter without a fault or a warning', async () => {
		const config = await createConfig({ extends: ['recommended'] });
		const document = makeDocumentFromString(JSON.stringify(openApi), 'openapi.json');
		const found = await lintDocument({ document, externalRefResolver: new BaseResolver(), config: config.styleguide });
		expect(found.map((f) => `${f.severity} ${f.ruleId}: ${f.message} ${f.location[0]?.pointer}`)).toEqual([]);
		// It does find faults: of a description without its paths' answers.
		const [path] = Object.keys(openApi.paths);
		const broken = { ...openApi, paths: { [path ?? '']: { get: { summary: 'x' } } } };
		const wrong = makeDocumentFromString(JSON.stringify(broken), 'openapi.json');
		expect(
			(await lintDocument({ document: wrong, externalRefResolver: new BaseResolver(), config: config.styleguide }))
				.length
		).toBeGreaterThan(0);
	});

	it('makes a client that compiles, strictly', async () => {
		const input = join(ground, 'openapi.json');
		writeFileSync(input, JSON.stringify(openApi));
		const output = join(ground, 'client');
		await createClient({
			input,
			output: { path: output, postProcess: [] },
			plugins: ['@hey-api/typescript', '@hey-api/sdk', '@hey-api/client-fetch'],
			logs: { level: 'silent' }
		});
		const use = join(ground, 'use.ts');
		writeFileSync(
			use,
			`import { getFood, searchFoods } from './client';
export async function first(): Promise<string> {
	const { data } = await searchFoods({ query: { q: 'courgette' }, baseUrl: 'http://127.0.0.1' });
	const id: string | undefined = data?.foods[0]?.id;
	const { data: food } = await getFood({ path: { id: id ?? '' } });
	return food?.name ?? '';
}
`
		);
		const options: ts.CompilerOptions = {
			strict: true,
			noEmit: true,
			skipLibCheck: true,
			target: ts.ScriptTarget.ES2022,
			module: ts.ModuleKind.ESNext,
			moduleResolution: ts.ModuleResolutionKind.Bundler,
			lib: ['lib.es2023.d.ts', 'lib.dom.d.ts', 'lib.dom.iterable.d.ts'],
			types: []
		};
		const faults = (files: string[]) =>
			ts
				.getPreEmitDiagnostics(ts.createProgram(files, options))
				.map(
					(d) => `${d.file?.fileName.split('/').pop() ?? ''}: ${ts.flattenDiagnosticMessageText(d.messageText, ' ')}`
				);
		expect(readdirSync(output)).toContain('sdk.gen.ts');
		expect(faults([use])).toEqual([]);
		// What is not described does not compile.
		const wrong = join(ground, 'wrong.ts');
		writeFileSync(
			wrong,
			`import { getFood } from './client';\nexport const x = getFood({ path: { name: 'kale' } });\n`
		);
		expect(faults([wrong]).length).toBeGreaterThan(0);
	});
});
