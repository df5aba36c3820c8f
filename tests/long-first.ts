import { BaseSequencer, type TestSpecification } from 'vitest/node';

/** What takes longest, first: else it comes last, and the other core waits for it. By their last measured order. */
const long = [
	'runs/book.test.ts',
	'stores/stores.test.ts',
	'can/held.test.ts',
	'things/pairs.test.ts',
	'db/migration.test.ts',
	'stores/histories.test.ts',
	'engine/order.test.ts',
	'outside/api-other.test.ts',
	'safety/property.test.ts',
	'lib/supervise.test.ts',
	'can/rehearse.test.ts',
	'can/can.test.ts'
];
const rank = ({ moduleId }: TestSpecification): number => {
	const at = long.findIndex((name) => moduleId.endsWith(name));
	return at === -1 ? long.length : at;
};

export default class LongFirst extends BaseSequencer {
	override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
		return (await super.sort(files)).sort((a, b) => rank(a) - rank(b));
	}
}
