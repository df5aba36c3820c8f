/** What may import what. The core and the tables are pure; imports point inward only. */
const purePackages =
	'node_modules/(d3-array|jstat|convert|bessel|psychrolib|@date-fns/utc|date-fns|fastest-levenshtein)/';
module.exports = {
	forbidden: [
		{
			name: 'no-tables-on-the-worktop',
			comment:
				'What a page at the Stove loads is the fold and the acts: a plan is made by the server, which has the tables.',
			severity: 'error',
			from: { path: '^src/core/runs/kinds/', pathNot: '/(make|[a-z-]*fixture)\\.ts$|\\.test\\.ts$' },
			to: { path: '^src/core/runs/kinds/[^/]+/make\\.ts$', dependencyTypesNot: ['type-only'] }
		},
		{
			name: 'core-is-pure',
			severity: 'error',
			comment: 'The core imports only itself, the tables and the listed pure packages.',
			from: { path: '^src/core/', pathNot: '\\.(test|bench|fixture)\\.ts$' },
			to: { pathNot: `^src/(core|reference)/|${purePackages}` }
		},
		{
			name: 'tables-are-numbers-only',
			severity: 'error',
			from: { path: '^src/reference/', pathNot: '\\.(test|bench|fixture)\\.ts$' },
			to: { pathNot: '^src/reference/' }
		},
		{
			name: 'stores-do-not-know-the-interface',
			severity: 'error',
			from: { path: '^src/lib/server/' },
			to: { path: '^src/(lib/ui|routes)/' }
		},
		{
			name: 'the-page-does-not-import-the-server',
			severity: 'error',
			from: { path: '^src/lib/(ui|client)/' },
			to: { path: '^src/(lib/server|routes)/' }
		},
		{ name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
		{
			name: 'everything-resolves',
			severity: 'error',
			from: { path: '^src/core/' },
			to: { couldNotResolve: true }
		}
	],
	options: {
		doNotFollow: { path: 'node_modules' },
		exclude: { path: '\\.svelte-kit' },
		tsPreCompilationDeps: true,
		tsConfig: { fileName: 'tsconfig.json' },
		enhancedResolveOptions: { extensions: ['.ts', '.js', '.json'], conditionNames: ['import', 'types', 'default'] }
	}
};
