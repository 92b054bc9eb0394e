#!/usr/bin/env node
// Writes docs/job-file.schema.json out of the Zod schema, and docs/xjdf-subset.xsd out of the table of its elements.
import fs from 'node:fs';
import path from 'node:path';
import { buildPackages, repo } from './build-steps.mjs';

buildPackages();
const { jobFileSchema } = await import('@druckerei/contract');
fs.writeFileSync(path.join(repo, 'docs', 'job-file.schema.json'), `${JSON.stringify(jobFileSchema(), null, 2)}\n`);
const { subsetXsd } = await import('@druckerei/formats/xjdf');
fs.writeFileSync(path.join(repo, 'docs', 'xjdf-subset.xsd'), subsetXsd());
