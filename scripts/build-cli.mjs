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
	// PGlite brings its WebAssembly
	external: ['@electric-sql/pglite', '@electric-sql/pglite/nodefs'],
	// packages in CommonJS ask for these
	banner: { js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);" },
	legalComments: 'none',
	logLevel: 'warning'
});
