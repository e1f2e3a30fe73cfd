import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './web/svelte.config.js';

/** Folders of `core/src` from the ground up: each may import itself and what stands before it. */
const CORE_LAYERS = [
  'music',
  'score',
  'instrument',
  'fingering',
  'left',
  'right',
  'technique',
  'review',
  'plan',
  'formats',
];

const noImport = (patterns) => ({
  'no-restricted-imports': [
    'error',
    { patterns: patterns.map(({ regex, message }) => ({ regex, message })) },
  ],
});

const coreLayer = (layer, index) => {
  const above = CORE_LAYERS.slice(index + 1);
  return {
    files: [`core/src/${layer}/**/*.ts`],
    ignores: ['**/*.test.ts'],
    rules: noImport([
      {
        regex: `\\.\\./(${[...above, 'testing', 'index'].join('|')})[/.]`,
        message: `core/${layer} stands below what it imports.`,
      },
      { regex: '^node:', message: 'core knows nothing of Node.' },
      { regex: '@oculon/', message: 'core knows nothing of the other packages.' },
    ]),
  };
};

export default ts.config(
  {
    ignores: [
      '**/build/',
      '**/.svelte-kit/',
      '**/node_modules/',
      '.data/',
      '**/test-results/',
      '**/playwright-report/',
    ],
  },
  ...ts.configs.recommended,
  ...svelte.configs.recommended,
  {
    languageOptions: { globals: { ...globals.browser, ...globals.node } },
    rules: {
      'no-undef': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      // Plain links of this application need no base path.
      'svelte/no-navigation-without-resolve': 'off',
      // Local sets that never reach a template need no reactivity.
      'svelte/prefer-svelte-reactivity': 'off',
    },
  },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser, svelteConfig } },
  },
  ...CORE_LAYERS.map(coreLayer),
  {
    files: ['cli/**/*.ts', 'web/**/*.{ts,svelte}'],
    // Tests write their examples in core's small notation.
    ignores: ['**/*.test.ts', '**/*.spec.ts', 'web/bench/**'],
    rules: noImport([{ regex: '(@oculon/core|core/src)/', message: 'Only what the index of core gives.' }]),
  },
  {
    files: ['web/src/**/*.{ts,svelte}'],
    ignores: ['web/src/lib/engraving/**'],
    rules: noImport([
      { regex: '^vexflow', message: 'Only lib/engraving talks to VexFlow.' },
      { regex: '@oculon/core/', message: 'Only what the index of core gives.' },
    ]),
  },
);
