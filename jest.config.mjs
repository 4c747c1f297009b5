/** Unit tests run on the sources through swc; the browser journeys are Playwright's, in e2e/. */
const config = {
  testEnvironment: 'node',
  // Disks stall now and then; how fast things are is for the bench to say.
  testTimeout: 30_000,
  roots: ['<rootDir>/src'],
  maxWorkers: '100%',
  globalSetup: '<rootDir>/scripts/before-tests.mjs',
  setupFilesAfterEnv: ['<rootDir>/src/testing/seed.ts'],
  testMatch: ['**/*.test.ts'],
  transform: {
    '^.+\\.m?[jt]sx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
      },
    ],
  },
  // Packages that ship as modules only.
  transformIgnorePatterns: ['/node_modules/(?!(markdown-table|d3-[a-z-]+|internmap|earcut)/)'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
};

export default config;
