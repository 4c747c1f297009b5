/** Unit tests run on the sources through swc; the browser journeys are Playwright's, in e2e/. */
const config = {
  testEnvironment: 'node',
  // Disks stall now and then; how fast things are is for the bench to say.
  testTimeout: 30_000,
  roots: ['<rootDir>/src'],
  maxWorkers: '100%',
  globalSetup: '<rootDir>/scripts/before-tests.mjs',
  // Tests run in a context of their own, where each look at a global is a hundred times slower unless it is handed in.
  sandboxInjectedGlobals: [
    'Array',
    'BigInt',
    'Boolean',
    'Error',
    'Float32Array',
    'Float64Array',
    'Infinity',
    'Int32Array',
    'JSON',
    'Map',
    'Math',
    'Number',
    'Object',
    'Set',
    'String',
    'Symbol',
    'Uint8Array',
    'Uint16Array',
    'Uint32Array',
    'WeakMap',
    'WeakSet',
    'performance',
  ],
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
