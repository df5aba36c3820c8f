import type { AnyPlan } from './kind';

/** A plan of the one version that a kind has had so far. @throws {Error} made by a newer core than this one */
export function ofVersion<P extends AnyPlan>(plan: object, version: P['version']): P {
	const one = plan as P;
	if (one.version !== version)
		throw new Error(`A plan of version ${one.version} was made by a newer core than this one.`);
	return one;
}
