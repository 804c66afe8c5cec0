import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';

export default defineConfig({
	plugins: [tailwindcss(), sveltekit()],
	worker: { format: 'es' },
	build: {
		target: 'es2022',
		// the content security policy allows no data: fonts
		assetsInlineLimit: 0,
		// each component brings a theme of its own, and an index of all themes; those of components that nobody shows can go
		rolldownOptions: {
			treeshake: { moduleSideEffects: [{ test: /flowbite-svelte\/dist\/.*\.js$/, sideEffects: false }] }
		}
	}
});
