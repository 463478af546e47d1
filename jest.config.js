/** ESM + TypeScript in Jest: run through `npm run test:unit`, which sets --experimental-vm-modules. */
const swc = [
  '@swc/jest',
  {
    jsc: {
      target: 'es2022',
      parser: { syntax: 'typescript', tsx: true },
      transform: { react: { runtime: 'automatic' } },
    },
    module: { type: 'es6' },
    sourceMaps: 'inline',
  },
];
const base = {
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: { '\\.tsx?$': swc },
  testEnvironment: 'node',
  setupFiles: ['<rootDir>/scripts/jest-setup.mjs'],
};
export default {
  // A host may take the cores for half a minute. No unit test asserts speed: that is measured in bench/.
  testTimeout: 60_000,
  projects: [
    ...['core', 'contract', 'server', 'web', 'bench'].map((folder) => ({
      ...base,
      displayName: folder,
      testMatch: [`<rootDir>/${folder}/**/*.test.ts`],
    })),
    // Components are drawn: they want a document.
    {
      ...base,
      displayName: 'components',
      testEnvironment: '<rootDir>/web/testing/environment.mjs',
      testMatch: ['<rootDir>/web/**/*.test.tsx'],
    },
  ],
};
