/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
	forbidden: [
		{
			name: 'core-is-pure',
			comment: 'The core imports only itself and libraries that run the same in browser, worker, server and command line.',
			severity: 'error',
			from: { path: '^core' },
			to: {
				pathNot: [
					'^core',
					'^node_modules/(zod|csv-parse|csv-stringify|fastest-levenshtein|jsonc-parser|minisearch|node-diff3|yaml|saxes|xmlchars|@types/sarif)/'
				]
			}
		},
		{
			name: 'browser-does-not-load-the-server',
			comment: 'Interface code takes only types from the server.',
			severity: 'error',
			from: { path: '^src/(lib/(ui|state|workers)|routes)', pathNot: '^src/routes/.*\\+server\\.ts$' },
			to: { path: '^src/lib/server', dependencyTypesNot: ['type-only'] }
		},
		{
			name: 'seat-stands-alone',
			comment: 'A workstation has the core and its own code, never the server.',
			severity: 'error',
			from: { path: '^seat' },
			to: { path: '^(src|demo)/' }
		},
		{ name: 'no-circles', severity: 'error', from: {}, to: { circular: true } }
	],
	options: {
		doNotFollow: { path: 'node_modules' },
		tsPreCompilationDeps: true,
		tsConfig: { fileName: 'tsconfig.json' },
		enhancedResolveOptions: {
			exportsFields: ['exports'],
			conditionNames: ['import', 'svelte', 'default', 'types'],
			extensions: ['.ts', '.svelte', '.js', '.mjs', '.d.ts']
		}
	}
};
