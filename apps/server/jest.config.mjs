import { esmConfig } from '../../scripts/jest.esm.mjs';

export default { ...esmConfig(import.meta.dirname), maxWorkers: 1, testTimeout: 30_000 };
