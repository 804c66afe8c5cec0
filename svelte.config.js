import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
	preprocess: vitePreprocess(),
	kit: {
		adapter: adapter({ precompress: true }),
		alias: { $core: 'core' },
		csp: {
			mode: 'hash',
			directives: {
				'default-src': ['none'],
				// WebAssembly may be compiled: the check works with it (docs/decisions/0014)
				'script-src': ['self', 'wasm-unsafe-eval'],
				'style-src': ['self'],
				// the live region that SvelteKit puts into every page has this one style attribute
				'style-src-attr': ['unsafe-hashes', 'sha256-S8qMpvofolR8Mpjy4kQvEm7m1q8clzU4dfDH0AmvZjo='],
				'img-src': ['self', 'data:'],
				'font-src': ['self'],
				'connect-src': ['self'],
				'worker-src': ['self'],
				'manifest-src': ['self'],
				'form-action': ['self'],
				'base-uri': ['none'],
				'frame-ancestors': ['none']
			}
		}
	}
};
