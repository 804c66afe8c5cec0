// Compiles the command line into one file, dist/skarn.mjs. What has files of its own beside its code stays a package.
import { build } from 'esbuild';
import { fileURLToPath } from 'node:url';

const path = (name) => fileURLToPath(new URL(`../${name}`, import.meta.url));

await build({
	entryPoints: [path('cli/skarn.ts')],
	outfile: path('dist/skarn.mjs'),
	bundle: true,
	platform: 'node',
	format: 'esm',
	target: 'node20',
	mainFields: ['module', 'main'],
	// PGlite brings its WebAssembly; the others are needed by few commands
	external: ['@electric-sql/pglite', '@electric-sql/pglite/nodefs', 'pg', 'tuf-js', 'tuf-js/*', '@tufjs/models'],
	// packages in CommonJS ask for these
	banner: {
		js: [
			"import { createRequire } from 'node:module';",
			"import { dirname as folderOf } from 'node:path';",
			"import { fileURLToPath as pathOf } from 'node:url';",
			'const require = createRequire(import.meta.url);',
			'const __filename = pathOf(import.meta.url);',
			'const __dirname = folderOf(__filename);'
		].join('\n')
	},
	legalComments: 'none',
	logLevel: 'warning'
});
