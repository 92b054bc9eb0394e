import { fileURLToPath } from 'node:url';

/** Jest configuration of the packages that run as real ES modules on Node, from their sources. */
export const esmConfig = (rootDir) => ({
  rootDir,
  // Patience, not a target: a shared machine may give us a quarter of its time.
  testTimeout: 60_000,
  setupFiles: [fileURLToPath(new URL('laws.setup.mjs', import.meta.url))],
  testEnvironment: 'node',
  testEnvironmentOptions: { customExportConditions: ['@druckerei/source', 'node', 'node-addons'] },
  testMatch: ['<rootDir>/src/**/*.spec.ts'],
  // Source says './x.js' (Node ESM); jest must find './x.ts'.
  moduleNameMapper: { '^(\\.{1,2}/.*)\\.js$': '$1' },
  extensionsToTreatAsEsm: ['.ts'],
  transform: {
    '^.+\\.ts$': ['ts-jest', { useESM: true, tsconfig: '<rootDir>/tsconfig.json', diagnostics: false }],
  },
});
