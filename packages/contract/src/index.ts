export * from './job-file.js';
export * from './field-errors.js';
export * from './messages.js';
export * from './api.js';
export * from './endpoints.js';
export * from './parse-job.js';
export * from './reckon.js';
export * from './json-schema.js';
