/** Job tickets as other programs read them: XJDF. */
export { type FileFault } from './xjdf/read-xml.js';
export { type ToldAudit } from './xjdf/read-audits.js';
export { type ReadXjdf, type ToldXjdf, readXjdf } from './xjdf/read-xjdf.js';
export { SUBSET } from './xjdf/subset.js';
export { type XjdfJob, xjdfJob } from './xjdf/xjdf-job.js';
export { type XjdfDocument, writeXjdf } from './xjdf/write-xjdf.js';
export { subsetTable, subsetXsd } from './xjdf/xsd.js';
