import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

export default ts.config(
	{ ignores: ['node_modules/', 'build/', 'dist/', '.svelte-kit/', 'data/', 'migrations/', 'static/'] },
	js.configs.recommended,
	...ts.configs.recommended,
	...svelte.configs.recommended,
	prettier,
	...svelte.configs.prettier,
	{ languageOptions: { globals: { ...globals.browser, ...globals.node } } },
	{
		rules: {
			'no-undef': 'off',
			'no-console': ['error', { allow: ['warn', 'error'] }],
			'@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_', argsIgnorePattern: '^_' }],
			// addresses are built from the application's id; there is no base path
			'svelte/no-navigation-without-resolve': 'off',
			// derived values are made anew, never changed in place
			'svelte/prefer-svelte-reactivity': 'off'
		}
	},
	{ files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
	{ files: ['scripts/**', 'demo/**', 'seat/**', 'bench/**', 'cli/**', 'bin/**'], rules: { 'no-console': 'off' } },
	{
		files: ['core/**/*.ts'],
		rules: {
			'no-restricted-globals': [
				'error',
				'window',
				'document',
				'localStorage',
				'fetch',
				'process',
				'setTimeout',
				'setInterval',
				'performance'
			],
			'no-restricted-properties': [
				'error',
				{ object: 'Date', property: 'now', message: 'The core has no clock; pass the time in.' },
				{ object: 'Math', property: 'random', message: 'The core has no randomness; pass it in.' }
			]
		}
	},
	{ files: ['tests/**/*.ts'], rules: { '@typescript-eslint/no-unused-expressions': 'off' } },
	{
		files: ['**/*.svelte', '**/*.svelte.ts'],
		languageOptions: { parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig } }
	}
);
