import next from 'eslint-config-next';
import nextTypescript from 'eslint-config-next/typescript';

const INNER_LOOPS = [
  'src/core/tooth-search/{ratio-function,chain-space,sweep,pair-products,stage-fractions,way,best,chains}.ts',
  'src/core/drawing/routing/{search,grid}.ts',
  'src/core/shifting/traces.ts',
  'src/core/rational/rational.ts',
];

const config = [
  {
    ignores: [
      '.next/**',
      'dist/**',
      'node_modules/**',
      'data/**',
      'next-env.d.ts',
      'test-results/**',
      'playwright-report/**',
    ],
  },
  ...next,
  ...nextTypescript,
  {
    files: ['**/*.ts', '**/*.tsx'],
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      'no-restricted-exports': 'off',
      eqeqeq: ['error', 'always'],
      // The formatter decides everywhere.
      'no-warning-comments': ['error', { terms: ['prettier-ignore'], location: 'anywhere' }],
      'max-len': [
        'error',
        { code: 120, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true, ignoreUrls: true },
      ],
      '@typescript-eslint/no-non-null-assertion': 'error',
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    // Tests assert what they have just made; in the innermost loops over numbers a check costs more than the step.
    files: ['**/*.test.ts', 'src/testing/**', 'e2e/**', 'bench/**', 'scripts/**', ...INNER_LOOPS],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    files: ['src/**/*.ts', 'src/**/*.tsx'],
    ignores: ['src/app/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'ExportDefaultDeclaration', message: "Named exports only, outside Next's own files." },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        { name: 'performance', message: 'The core reads no clock: whoever calls it says when it is time.' },
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'The core reads no clock: whoever calls it says when it is time.' },
      ],
    },
  },
];

export default config;
