export default {
  rootDir: '..',
  testEnvironment: 'node',
  globalSetup: '<rootDir>/e2e/demoOnce.mjs',
  globalTeardown: '<rootDir>/e2e/demoDropped.mjs',
  testMatch: ['<rootDir>/e2e/src/**/*.e2e.ts'],
  transform: {
    '^.+\\.(t|j)sx?$': [
      '<rootDir>/tools/jestTransform.mjs',
      { jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' }, module: { type: 'es6' } },
    ],
  },
  extensionsToTreatAsEsm: ['.ts'],
  testTimeout: 240_000,
};
