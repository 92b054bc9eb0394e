export { applyMend, checkRoute } from './check-route.js';
export { type Finding, type Mend } from './finding.js';
export { type Mended, mendAll } from './mend-all.js';
