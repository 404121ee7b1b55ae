import importX from 'eslint-plugin-import-x';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** What no layer knows: the routes, which office is opened, and the sample. */
const root = ['./app', './src/offices', './sample'];

/** Of the state what is an app's, and nothing of what hosts an office, keeps it and is told over a link. */
const ofApps = [
  ...[
    'access',
    'app',
    'archive',
    'configuration',
    'connection',
    'figures',
    'inbox',
    'onDevice',
    'outside',
    'people',
  ],
  ...['pictures', 'place', 'queues', 'sounds', 'telling'],
].map((part) => `./src/state/${part}`);

/** Each layer with what it must not import: imports go downwards only (docs/architecture.md). */
const layers = {
  './src/core': [...root, './src/screens', './src/ui', './src/state', './src/office', './server'],
  './src/office': [...root, './src/screens', './src/ui', './src/state', './server'],
  './src/state': [...root, './src/screens', './src/ui', './server'],
  './src/ui': [...root, './src/screens', './src/state', './src/office', './server'],
  './src/screens': [...root, './server'],
  // It hosts an office as a browser does; of an app's own state it knows nothing.
  './server': ['./app', './src/screens', './src/ui', ...ofApps],
  './sample': ['./app', './src/screens', './src/ui', './src/state', './server'],
};

/** The topics of the computation: each knows only those before it. */
const topics = ['shared', 'numbers', 'setup', 'plans', 'calls', 'people', 'inbox', 'office'];

/**
 * What lies behind a door; in the core each part of a topic has one. What runs an office has a door of its own, for its hosts, and so has
 * what changes how one is configured.
 */
const doors = [
  ...['@/core/*/*/*', '@/core/setup/*', '@/core/office/*', '@/office/*/*', '@/state/*/*'],
  ...['!@/core/*/*/machine', '!@/core/office/machine', '!@/office/*/machine'],
  ...['!@/core/setup/edits', '!@/core/setup/changes', '!@/core/setup/problems'],
];
const byItsDoor = (group) => ({ group, message: 'A topic is entered by its index.ts.' });

const zones = [
  ...Object.entries(layers),
  ...topics
    .slice(0, -1)
    .map((topic, at) => [`./src/core/${topic}`, topics.slice(at + 1).map((later) => `./src/core/${later}`)]),
].map(([target, from]) => ({
  target,
  from,
  message: 'Imports go downwards only: see docs/architecture.md.',
}));

export default tseslint.config(
  { ignores: ['node_modules', 'dist', 'build', '.expo', 'public', 'test-results', 'playwright-report'] },
  ...tseslint.configs.recommended,
  {
    plugins: { 'import-x': importX, 'react-hooks': reactHooks },
    settings: {
      'import-x/resolver-next': [
        createTypeScriptImportResolver({
          project: ['tsconfig.json', 'tsconfig.node.json'],
          noWarnOnMultipleProjects: true,
        }),
      ],
    },
    rules: {
      'import-x/no-restricted-paths': ['error', { zones }],
      'import-x/no-cycle': ['error', { ignoreExternal: true }],
      '@typescript-eslint/no-explicit-any': 'error',
      // What is taken apart to leave something out need not be used.
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
    },
  },
  {
    files: ['src/**/*.{ts,tsx}', 'app/**/*.tsx', 'sample/**/*.ts', 'server/**/*.ts'],
    ignores: ['**/*.test.{ts,tsx}', '**/tests/**'],
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'error',
      'no-restricted-imports': ['error', { patterns: [byItsDoor(doors)] }],
    },
  },
  {
    files: ['src/{core,office,state,workers}/**/*.ts'],
    ignores: ['**/*.test.ts', '**/tests/**'],
    rules: {
      'no-restricted-imports': ['error', { patterns: [byItsDoor([...doors, '../*/*', '!../*/machine'])] }],
    },
  },
  // Tests of the stand-ins, and of what a whole office is needed for, play the sample.
  {
    files: ['src/{office,core,state}/**/*.test.ts', 'src/state/**/tests/*.ts', 'src/screens/**/*.test.tsx'],
    rules: { 'import-x/no-restricted-paths': 'off' },
  },
  {
    files: ['*.js', '*.cjs'],
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
);
