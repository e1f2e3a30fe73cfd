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
  'performance',
  'technique',
  'review',
  'plan',
  'page',
  'walk',
  'formats',
  'practice',
  'wording',
];

/** What the planners keep to themselves: nobody who only reads a performance looks into it. */
const PLANNERS_OWN = '\\.\\./(left/(search|moments|plan-left)|right/(search|plan-right))(?!/costs)[/.]';
const READERS = ['performance', 'technique', 'review', 'page', 'walk'];

const noImport = (patterns) => ({
  'no-restricted-imports': [
    'error',
    { patterns: patterns.map(({ regex, message }) => ({ regex, message })) },
  ],
});

const ONLY_THE_INDEX = { regex: '(@oculon/core|core/src)/', message: 'Only what the index of core gives.' };
const SMALL_SCHEMAS = {
  regex: '^zod$',
  message: 'What browsers load takes schemas from zod/mini: a third of the size.',
};
const ONLY_ENGRAVING = { regex: '^vexflow', message: 'Only lib/engraving talks to VexFlow.' };

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
      // The formats of the command line never go to a browser.
      ...(layer === 'formats' ? [] : [SMALL_SCHEMAS]),
      ...(READERS.includes(layer)
        ? [{ regex: PLANNERS_OWN, message: 'What the hands do is read from the performance.' }]
        : []),
    ]),
  };
};

export default ts.config(
  {
    ignores: [
      'web/build/',
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
    ignores: ['**/*.test.ts', '**/*.spec.ts', 'web/bench/**', 'web/src/**'],
    rules: noImport([ONLY_THE_INDEX]),
  },
  {
    files: ['web/src/**/*.{ts,svelte}'],
    ignores: ['**/*.test.ts'],
    // One block with all patterns: of two that match a file the later replaces the earlier.
    rules: noImport([ONLY_THE_INDEX, ONLY_ENGRAVING, SMALL_SCHEMAS]),
  },
  {
    files: ['web/src/lib/server/**/*.ts', 'web/src/routes/**/+{server,page.server,layout.server}.ts'],
    ignores: ['**/*.test.ts'],
    rules: noImport([ONLY_THE_INDEX, ONLY_ENGRAVING]),
  },
  {
    files: ['web/src/lib/engraving/**/*.{ts,svelte}'],
    ignores: ['**/*.test.ts'],
    rules: noImport([ONLY_THE_INDEX, SMALL_SCHEMAS]),
  },
);
