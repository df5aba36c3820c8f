/** What failed, from the reports of the runners: said once more at the very end, where a long log is read first. */

/** @typedef {{ name: string, why: string }} Failure */

// Runners colour what they say; a log and a report are read without.
// eslint-disable-next-line no-control-regex -- the escape character is what it looks for
const colours = /\u001b\[[0-9;]*m/g;
const words = (/** @type {string | undefined} */ text) => (text ?? '').replace(colours, '').trim();

/**
 * @param {any} report what Vitest wrote as JSON
 * @returns {Failure[]} failed tests, and files that could not even be read
 */
export function failuresOfVitest(report) {
	return report.testResults.flatMap((/** @type {any} */ file) => {
		const tests = file.assertionResults.filter((/** @type {any} */ t) => t.status === 'failed');
		if (tests.length === 0)
			return file.status === 'failed'
				? [{ name: file.name, why: words(file.message) || 'the file could not be run' }]
				: [];
		return tests.map((/** @type {any} */ t) => ({
			name: `${file.name} › ${t.fullName}`,
			why: words(t.failureMessages?.join('\n'))
		}));
	});
}

/**
 * @param {any} report what Playwright wrote as JSON
 * @returns {Failure[]} tests that did not end as expected, flaky and skipped ones too
 */
export function failuresOfPlaywright(report) {
	const inSuite = (/** @type {any} */ suite) =>
		/** @type {Failure[]} */ ([
			...(suite.specs ?? []).flatMap((/** @type {any} */ spec) =>
				spec.tests
					.filter((/** @type {any} */ t) => t.status !== 'expected')
					.map((/** @type {any} */ t) => ({
						name: `${spec.file}:${spec.line} › ${spec.title} (${t.status})`,
						why: words(
							t.results
								.flatMap((/** @type {any} */ r) => r.errors ?? [])
								.map((/** @type {any} */ e) => e.message)
								.join('\n')
						)
					}))
			),
			...(suite.suites ?? []).flatMap(inSuite)
		]);
	return [
		...report.suites.flatMap(inSuite),
		...(report.errors ?? []).map((/** @type {any} */ e) => ({
			name: 'before or between the tests',
			why: words(e.message)
		}))
	];
}

/**
 * @param {Failure[]} failures
 * @param {number} [lines] how many lines of each reason
 * @returns {string} one paragraph each
 */
export function toldOf(failures, lines = 12) {
	return failures
		.map(({ name, why }) =>
			[
				`FAILED ${name}`,
				...why
					.split('\n')
					.slice(0, lines)
					.map((l) => `       ${l}`)
			].join('\n')
		)
		.join('\n');
}
