import nextVitals from 'eslint-config-next/core-web-vitals';
import nextTypescript from 'eslint-config-next/typescript';
import prettier from 'eslint-config-prettier/flat';
import boundaries from 'eslint-plugin-boundaries';

/** The house's dependency direction; see docs/architecture.md. */
const LAYERS = {
  core: ['core'],
  data: ['data', 'core'],
  // What a step says, in one file a step: documents that the server writes say the same.
  words: ['words', 'core'],
  server: ['server', 'data', 'core', 'words'],
  gateway: ['gateway', 'server', 'data', 'core'],
  workers: ['workers', 'core'],
  standins: ['standins', 'core'],
  ui: ['ui', 'words', 'core', 'workers'],
  app: ['app', 'server', 'data', 'ui', 'words', 'core'],
};

export default [
  {
    ignores: [
      '.next/**',
      'node_modules/**',
      'data/**',
      'demo-data/**',
      '*-backups/**',
      'test-results/**',
      'playwright-report/**',
      'next-env.d.ts',
    ],
  },
  ...nextVitals,
  ...nextTypescript,
  prettier,
  {
    rules: {
      'import/no-anonymous-default-export': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: 'ExportAllDeclaration', message: 'List the names one by one.' },
      ],
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    plugins: { boundaries },
    settings: {
      'import/resolver': { typescript: { alwaysTryTypes: true } },
      'boundaries/elements': [
        { type: 'words', pattern: 'src/ui/*/*Words.ts', mode: 'full', partialMatch: false },
        ...Object.keys(LAYERS)
          .filter((type) => type !== 'words')
          .map((type) => ({ type, pattern: `src/${type}`, partialMatch: false })),
      ],
    },
    rules: {
      'boundaries/dependencies': [
        'error',
        {
          default: 'disallow',
          policies: Object.entries(LAYERS).map(([type, allowed]) => ({
            from: { element: { type } },
            allow: allowed.map((to) => ({ to: { element: { type: to } } })),
          })),
        },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: [
                'react',
                'react-*',
                'next',
                'next/*',
                'knex',
                'better-sqlite3',
                'node:*',
                'fs',
                'path',
                '@/*',
              ],
              message: 'Core imports Zod, the solver and itself.',
            },
          ],
        },
      ],
      'no-restricted-globals': ['error', 'process', 'window', 'document', 'fetch', 'localStorage'],
    },
  },
];
