import presets from 'jest-preset-angular/presets/index.js';

/** @type {import('jest').Config} */
export default {
  ...presets.createCjsPreset({ tsconfig: '<rootDir>/tsconfig.spec.json' }),
  rootDir: import.meta.dirname,
  // Patience, not a target: a shared machine may give us a quarter of its time.
  testTimeout: 60_000,
  testEnvironmentOptions: { customExportConditions: ['@druckerei/source', 'browser'] },
  setupFilesAfterEnv: ['<rootDir>/src/test-setup.ts'],
  testMatch: ['<rootDir>/src/**/*.spec.ts'],
  moduleNameMapper: {
    '^(\\.{1,2}/.*)\\.js$': '$1',
    // The real one kills jsdom.
    '^apexcharts$': '<rootDir>/src/apexcharts.stub.cjs',
    '^apexcharts/client$': '<rootDir>/src/apexcharts.stub.cjs',
    // No workers in jsdom: drawn at once.
    '/forecast\\.client$': '<rootDir>/src/forecast.stub.ts',
    '^marked$': `${import.meta.dirname}/../../node_modules/marked/lib/marked.umd.js`,
    // What is published as modules only is taken in its other form.
    '^(d3-[a-z]+)$': `${import.meta.dirname}/../../node_modules/$1/dist/$1.js`,
  },
};
