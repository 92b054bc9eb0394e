import presets from 'jest-preset-angular/presets/index.js';

/** @type {import('jest').Config} */
export default {
  ...presets.createCjsPreset({ tsconfig: '<rootDir>/tsconfig.spec.json' }),
  rootDir: import.meta.dirname,
  testEnvironmentOptions: { customExportConditions: ['@druckerei/source', 'browser'] },
  setupFilesAfterEnv: ['<rootDir>/src/test-setup.ts'],
  testMatch: ['<rootDir>/src/**/*.spec.ts'],
  moduleNameMapper: { '^(\\.{1,2}/.*)\\.js$': '$1' },
};
