import { describe, expect, it } from 'vitest';
import { failuresOfPlaywright, failuresOfVitest, toldOf } from './failures.mjs';

describe('what failed is said at the end', () => {
	it('names each failed unit test and each file that could not be run', () => {
		const found = failuresOfVitest({
			testResults: [
				{
					name: 'src/a.test.ts',
					status: 'failed',
					assertionResults: [
						{ status: 'passed', fullName: 'a does' },
						{ status: 'failed', fullName: 'a keeps', failureMessages: ['\u001b[31mexpected 1\u001b[39m to be 2'] }
					]
				},
				{ name: 'src/b.test.ts', status: 'failed', message: 'no such module', assertionResults: [] },
				{ name: 'src/c.test.ts', status: 'passed', message: '', assertionResults: [] }
			]
		});
		expect(found).toEqual([
			{ name: 'src/a.test.ts › a keeps', why: 'expected 1 to be 2' },
			{ name: 'src/b.test.ts', why: 'no such module' }
		]);
	});

	it('names what did not end as expected in the browser, in suites of suites, and what broke outside of a test', () => {
		const spec = (title: string, status: string) => ({
			file: 'walk.spec.ts',
			line: 7,
			title,
			tests: [{ status, results: [{ errors: status === 'expected' ? [] : [{ message: 'timed out' }] }] }]
		});
		const found = failuresOfPlaywright({
			suites: [
				{ specs: [spec('one', 'expected')], suites: [{ specs: [spec('two', 'unexpected'), spec('three', 'flaky')] }] }
			],
			errors: [{ message: 'the server did not start' }]
		});
		expect(found.map((f) => f.name)).toEqual([
			'walk.spec.ts:7 › two (unexpected)',
			'walk.spec.ts:7 › three (flaky)',
			'before or between the tests'
		]);
		expect(toldOf(found)).toContain('       the server did not start');
	});

	it('keeps to the first lines of a long reason', () => {
		const told = toldOf([{ name: 'x', why: Array.from({ length: 40 }, (_, i) => `line ${i}`).join('\n') }]);
		expect(told.split('\n')).toHaveLength(13);
	});
});
