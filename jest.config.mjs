const transform = {
  '^.+\\.(t|j)sx?$': [
    '<rootDir>/tools/jestTransform.mjs',
    {
      jsc: {
        parser: { syntax: 'typescript', tsx: true },
        target: 'es2022',
        transform: { react: { runtime: 'automatic' } },
      },
      module: { type: 'es6' },
    },
  ],
};
const shared = {
  transform,
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testPathIgnorePatterns: ['/node_modules/', '/dist/'],
};

export default {
  // Speed is measured in the bench: a slow machine fails no test.
  testTimeout: 120_000,
  // Both cores: the end-to-end tests, which need quiet, run afterwards and alone.
  maxWorkers: '100%',
  // Realms of ended tests stay in memory; a worker that has gathered many is started afresh.
  workerIdleMemoryLimit: '1200MB',
  globalSetup: '<rootDir>/tools/beforeTests.mjs',
  projects: [
    {
      ...shared,
      displayName: 'node',
      testEnvironment: 'node',
      testMatch: ['<rootDir>/{core,contract,server,cli,standins,tools}/**/*.test.ts'],
    },
    {
      ...shared,
      displayName: 'web',
      testEnvironment: 'jsdom',
      setupFiles: ['<rootDir>/tools/jsdomSetup.mjs'],
      setupFilesAfterEnv: ['<rootDir>/tools/patience.mjs'],
      testMatch: ['<rootDir>/web/src/**/*.test.{ts,tsx}'],
      moduleNameMapper: {
        '^lucide-react$': '<rootDir>/node_modules/lucide-react/dist/cjs/lucide-react.js',
        '\\.css$': '<rootDir>/tools/empty.mjs',
      },
    },
  ],
};
