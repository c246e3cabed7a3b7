import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import sort from 'eslint-plugin-simple-import-sort';
import globals from 'globals';
import tseslint from 'typescript-eslint';

/** Folders of core in the order of the work, each importing only folders before it, and only through their index.ts. */
const CORE_FOLDERS = [
  'kit',
  'units',
  'curves',
  'tape',
  'finish',
  'air',
  'drying',
  'batch',
  'learning',
  'schedule',
  'over',
  'surface',
  'lines',
  'areas',
  'job',
  'setout',
  'edit',
  'prepare',
  'masking',
  'stage',
  'order',
  'runs',
  'runsheet',
  'log',
  'contract',
  'problem',
  'items',
  'steps',
  'check',
  'plan',
  'day',
  'views',
  'formats',
  'ask',
  'api',
  'files',
];

const refuse = (files, patterns, ignores = []) => ({
  files,
  ignores,
  rules: { 'no-restricted-imports': ['error', { patterns }] },
});

/** Folders of the client, each importing only folders before it. */
const CLIENT_FOLDERS = [
  'theme',
  'device',
  'api',
  'person',
  'ui',
  'forms',
  'worker',
  'drawing',
  'sync',
  'people',
  'job',
  'setout',
  'areas',
  'tape',
  'clock',
  'shelf',
  'run',
  'coats',
  'jobs',
  'bench',
  'screens',
];

/** Folders of the server, each importing only folders before it; `http` is on top. */
const SERVER_FOLDERS = ['db', 'errors', 'live', 'line', 'sensor', 'cutter', 'people', 'tls', 'work', 'backup', 'http'];

const folderRules = (root, folders, also) =>
  folders.map((folder, index) => {
    const later = folders.slice(index + 1);
    return refuse(
      [`${root}/${folder}/**/*.{ts,tsx}`],
      [
        ...also,
        ...(later.length > 0
          ? [
              {
                regex: `^(@/|(\\.\\./)+)(${later.join('|')})(/|$)`,
                message: 'A folder imports only folders before it: see the lists in eslint.config.mjs.',
              },
            ]
          : []),
      ],
      ['**/*.test.ts', '**/*.test.tsx'],
    );
  });

const CORE_IMPORTS = [
  { group: ['../*/*'], message: 'A folder is entered by its index.ts.' },
  { group: ['../testing', '../testing/*'], message: 'Helpers of tests are for tests.' },
  { regex: '^(\\.\\.|\\.\\./index|@lintrel/.*)$', message: 'Folders of core import each other, not the whole.' },
  {
    group: ['react', 'react-*', 'react-native*', 'express', 'pg', 'node:*', 'expo*'],
    message: 'core knows nothing of screens, servers or files.',
  },
];
const CLIENT_IMPORTS = [
  { group: ['**/server/**', 'express', 'pg', 'node:*'], message: 'client → core only.' },
  {
    group: ['@lintrel/core/*', '!@lintrel/core/front', '**/core/src/**', '@lintrel/words/*', '**/words/src/**'],
    message: 'core and words are entered by their doors.',
  },
];
const SERVER_IMPORTS = [
  { group: ['**/client/**', 'react', 'react-native*', 'expo*'], message: 'server → core only.' },
  {
    group: [
      '@lintrel/core/*',
      '!@lintrel/core/files',
      '!@lintrel/core/front',
      '**/core/src/**',
      '@lintrel/words/*',
      '**/words/src/**',
    ],
    message: 'core and words are entered by their doors.',
  },
];

/** Each makes one object with state: what looks like one long function is many short ones around that state. */
const OBJECTS_WITH_STATE = [
  'client/src/sync/outbox.ts',
  'client/src/sync/saving.ts',
  'client/src/worker/session.ts',
  'client/src/worker/jobSession.ts',
  'server/src/work/worker-pool.ts',
];

export default tseslint.config(
  { ignores: ['**/node_modules/**', '.data/**', 'client/dist/**', 'cli/dist/**', 'server/dist/**', 'client/.expo/**'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  { files: ['**/*.mjs', 'client/*.js', 'bench/bare/*.js'], languageOptions: { globals: globals.node } },
  { files: ['client/service-worker/*.js'], languageOptions: { globals: globals.serviceworker } },
  { files: ['client/*.js', 'bench/bare/*.js'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
  {
    files: ['client/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  // With types: a promise nobody waits for loses its error.
  {
    files: ['**/*.{ts,tsx}'],
    ignores: ['bench/bare/**'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
    },
  },
  { rules: { '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }] } },
  // Packages first, then what is farther, then what is nearer.
  {
    plugins: { 'simple-import-sort': sort },
    rules: {
      'simple-import-sort/imports': [
        'error',
        { groups: [['^\\u0000', '^node:', '^@?\\w', '^@/', '^', '^\\.\\.', '^\\.']] },
      ],
    },
  },
  {
    files: ['**/*.{ts,tsx,mjs}'],
    ignores: ['**/*.test.{ts,tsx}', 'e2e/**', ...OBJECTS_WITH_STATE],
    rules: {
      'max-lines-per-function': ['error', { max: 80, skipComments: true }],
      complexity: ['error', { max: 25 }],
    },
  },
  ...folderRules('core/src', CORE_FOLDERS, CORE_IMPORTS),
  refuse(
    ['words/**/*.ts'],
    [
      {
        group: ['**/client/**', '**/server/**', 'react', 'react-native*', 'express', 'pg', 'node:*', 'expo*'],
        message: 'words → core only.',
      },
      {
        group: ['@lintrel/core/*', '!@lintrel/core/files', '!@lintrel/core/front', '**/core/src/**'],
        message: 'core is entered by its doors.',
      },
    ],
  ),
  // Words are on every page: the whole of core would come along.
  {
    files: ['words/src/**/*.ts'],
    ignores: ['**/*.test.ts', 'words/src/testing/**'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          paths: [
            {
              name: '@lintrel/core',
              allowTypeImports: true,
              message: 'words take values by the narrow door, @lintrel/core/front.',
            },
          ],
        },
      ],
    },
  },
  refuse(['server/**/*.ts', 'cli/**/*.ts'], SERVER_IMPORTS),
  refuse(['client/app/**/*.tsx', 'client/src/**/*.{ts,tsx}'], CLIENT_IMPORTS),
  ...folderRules('client/src', CLIENT_FOLDERS, CLIENT_IMPORTS),
  ...folderRules('server/src', SERVER_FOLDERS, SERVER_IMPORTS),
);
