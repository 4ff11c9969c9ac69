import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';

export default ts.config(
	{ ignores: ['build/', '.svelte-kit/', 'data/', 'node_modules/'] },
	js.configs.recommended,
	...ts.configs.recommended,
	...svelte.configs.recommended,
	{
		languageOptions: { globals: { ...globals.browser, ...globals.node } },
		rules: {
			'no-undef': 'off',
			'no-control-regex': 'off',
			'@typescript-eslint/no-unused-vars': [
				'error',
				{ argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true }
			],
			'@typescript-eslint/consistent-type-imports': 'error',
			'svelte/no-navigation-without-resolve': 'off'
		}
	},
	{
		files: ['**/*.svelte', '**/*.svelte.ts'],
		languageOptions: {
			parserOptions: { extraFileExtensions: ['.svelte'], parser: ts.parser }
		}
	},
	{
		// What people type has one reader, which knows commas, fractions and minus signs.
		files: ['src/lib/ui/**', 'src/lib/client/**', 'src/routes/**/*.svelte'],
		ignores: ['**/*.test.ts'],
		rules: {
			'no-restricted-globals': [
				'error',
				{ name: 'parseFloat', message: 'What is typed is read by numberOf or parseQuantity.' },
				{ name: 'parseInt', message: 'What is typed is read by numberOf or parseQuantity.' }
			],
			'no-restricted-syntax': [
				'error',
				{
					selector:
						'CallExpression[callee.name="Number"]:not([arguments.0.callee.property.name=/^to(Fixed|Precision)$/])',
					message: 'What is typed is read by numberOf or parseQuantity.'
				}
			]
		}
	},
	{ files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
	{
		files: ['src/core/**/*.ts'],
		// What is typed as a date is read as one; nobody asks what time it is.
		ignores: ['src/core/schema/fields.ts', 'src/core/schema/fields.test.ts'],
		rules: {
			'no-restricted-globals': [
				'error',
				{ name: 'Date', message: 'The core has no clock.' },
				{ name: 'window', message: 'The core has no DOM.' },
				{ name: 'document', message: 'The core has no DOM.' },
				{ name: 'process', message: 'The core does no I/O.' },
				{ name: 'fetch', message: 'The core does no I/O.' }
			],
			'no-restricted-properties': [
				'error',
				{ object: 'Math', property: 'random', message: 'The core is not random: pass a seed.' }
			]
		}
	}
);
