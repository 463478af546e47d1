import js from '@eslint/js';
import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import prettier from 'eslint-config-prettier';
import { defineConfig, globalIgnores } from 'eslint/config';
import tseslint from 'typescript-eslint';

/** Imports run downwards only: web → contract, core; server → contract, core; contract → core; core → nothing of ours. */
const ban = (dirs, message, extra = []) => ({
  'no-restricted-syntax': [
    'error',
    { selector: `ImportExpression[source.value=/\\/(${dirs})\\//]`, message },
  ],
  'no-restricted-imports': [
    'error',
    { patterns: [{ regex: `^\\.\\.?/(.*/)?(${dirs})/`, message }, ...extra] },
  ],
});
const pure = [
  {
    regex: '^(node:|react($|/|-)|express$|kysely$|better-sqlite3$)',
    message: 'core/ is pure: no React, no Node, no database.',
  },
];

export default defineConfig(
  globalIgnores(['dist', 'data', 'playwright-report', 'test-results', '*.tmp.mjs']),
  js.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    extends: [tseslint.configs.recommendedTypeChecked],
    languageOptions: {
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      '@typescript-eslint/no-misused-promises': [
        'error',
        { checksVoidReturn: { attributes: false, arguments: false } },
      ],
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
    },
  },
  {
    files: ['web/**/*.{ts,tsx}'],
    extends: [reactHooks.configs.flat.recommended],
    rules: ban('server|demo|e2e|bench|scripts', 'web/ may import only contract/ and core/'),
  },
  {
    files: ['server/**/*.ts'],
    rules: ban('web|e2e|bench|scripts', 'server/ may import only contract/ and core/'),
  },
  {
    files: ['contract/**/*.ts'],
    rules: ban('web|server|demo|e2e|bench|scripts', 'contract/ may import only core/'),
  },
  {
    files: ['core/**/*.ts'],
    rules: ban('web|server|contract|demo|e2e|bench|scripts', 'core/ may import only core/', pure),
  },
  // Tests of the core read their cases from files.
  {
    files: ['core/**/*.test.ts', 'core/testdata/**/*.ts'],
    rules: ban('web|server|contract|demo|e2e|bench|scripts', 'core/ may import only core/'),
  },
  {
    files: ['bench/**/*.ts'],
    rules: ban(
      'web|server|contract|demo|e2e|scripts',
      'bench/ measures core/ and imports nothing else',
    ),
  },
  {
    files: ['bench/page/**/*.ts'],
    rules: ban(
      'web|server|contract|demo|scripts',
      'bench/page measures the page with the servers and sites of e2e/',
    ),
  },
  // Files about one thing, functions that can be read at once.
  {
    files: ['{core,contract,server,web}/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', 'core/testdata/**'],
    rules: {
      'max-lines': ['error', { max: 300 }],
      'max-lines-per-function': ['error', { max: 60 }],
      'no-nested-ternary': 'error',
    },
  },
  // Tables of data are read from top to bottom; splitting them helps nobody.
  {
    files: ['core/rules/catalog.ts', 'core/register/examples.ts'],
    rules: { 'max-lines': 'off' },
  },
  // A component is mostly what it draws.
  {
    files: ['web/**/*.tsx'],
    rules: { 'max-lines-per-function': ['error', { max: 120 }] },
  },
  // Formatting is Prettier's alone.
  prettier,
  { files: ['*.js', 'scripts/**/*.mjs'], languageOptions: { globals: globals.node } },
  { files: ['web/public/**/*.js'], languageOptions: { globals: globals.serviceworker } },
);
