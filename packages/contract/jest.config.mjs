import { esmConfig } from '../../scripts/jest.esm.mjs';

export default esmConfig(import.meta.dirname);
