/** Arrows run one way: routes -> ui, server, workers -> core. */
module.exports = {
	forbidden: [
		{
			// But for the seed that its tests draw by, and the demo's jobs that they read.
			name: 'core-imports-only-core',
			severity: 'error',
			from: { path: '^src/core' },
			to: { path: '^(src/(?!core)|tools|tests/(?!seed)|demo/(?!jobs\\.testing)|devices)' }
		},
		{
			name: 'core-does-no-io',
			severity: 'error',
			from: { path: '^src/core', pathNot: '\\.test(ing)?\\.ts$' },
			to: { dependencyTypes: ['core'] }
		},
		{
			name: 'joi-stays-out-of-the-pure-functions',
			severity: 'error',
			from: { path: '^src/core', pathNot: '^src/core/(compute|validate|schema|job/(kinds|book))' },
			to: { path: 'node_modules/joi' }
		},
		{
			name: 'interface-does-not-reach-the-server',
			severity: 'error',
			from: { path: '^src/lib/(ui|client)' },
			to: { path: '^src/lib/server' }
		},
		{
			name: 'routes-hold-no-sql',
			severity: 'error',
			from: { path: '^src/routes' },
			to: { path: 'node_modules/mysql2|^src/lib/server/db/(pool|migrate)' }
		},
		{
			name: 'server-does-not-know-the-interface',
			severity: 'error',
			from: { path: '^src/lib/server' },
			to: { path: '^src/(routes|lib/ui|lib/client)' }
		},
		{
			name: 'a-device-knows-only-the-protocol',
			severity: 'error',
			from: { path: '^devices', pathNot: '\\.test(ing)?\\.ts$' },
			to: { path: '^(src|tools|tests|demo)' }
		},
		{ name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
		{
			name: 'no-dev-packages-in-the-application',
			severity: 'error',
			from: { path: '^src', pathNot: '\\.test\\.ts$' },
			to: { dependencyTypes: ['npm-dev'], dependencyTypesNot: ['type-only'], pathNot: '@types' }
		},
		{
			name: 'resolvable',
			severity: 'error',
			from: { pathNot: '^src/routes' },
			to: { couldNotResolve: true, pathNot: '^(\\$app|\\$env|\\./\\$types)' }
		}
	],
	options: {
		doNotFollow: { path: 'node_modules' },
		exclude: { path: '^(build|\\.svelte-kit|data)' },
		tsConfig: { fileName: 'tsconfig.json' },
		tsPreCompilationDeps: true,
		webpackConfig: { fileName: 'tools/aliases.cjs' },
		enhancedResolveOptions: {
			extensions: ['.ts', '.svelte.ts', '.js', '.svelte', '.json', '.cjs'],
			exportsFields: ['exports'],
			conditionNames: ['import', 'node', 'default', 'svelte', 'types']
		}
	}
};
