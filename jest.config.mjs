/**
 * Unit tests, in two ways; the browser journeys are Playwright's, in e2e/. What only computes runs in plain threads,
 * where each module is loaded once for all tests of a thread, which is nearly twice as fast. What needs the
 * server's one database, or a window that has seen nothing yet, runs in a context of its own for each file, by swc.
 */
const WITH_STATE = ['src/app/', 'src/wire/', 'src/features/train/side-views.test.ts'];

const plain = {
  displayName: 'plain',
  runner: 'jest-light-runner',
  roots: ['<rootDir>/src'],
  testMatch: ['**/*.test.ts'],
  testPathIgnorePatterns: WITH_STATE.map((path) => `<rootDir>/${path}`),
  globalSetup: '<rootDir>/scripts/before-tests.mjs',
  setupFilesAfterEnv: ['<rootDir>/scripts/load-typescript.mjs', '<rootDir>/src/testing/seed.ts'],
};

const withState = {
  displayName: 'with state',
  testEnvironment: 'node',
  roots: ['<rootDir>/src'],
  testMatch: WITH_STATE.map((path) => `<rootDir>/${path}${path.endsWith('/') ? '**/*.test.ts' : ''}`),
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

const config = {
  projects: [plain, withState],
  // Disks stall now and then; how fast things are is for the bench to say.
  testTimeout: 30_000,
  maxWorkers: '100%',
};

export default config;
