#!/usr/bin/env node
// Writes docs/job-file.schema.json out of the Zod schema, and what docs/ says of XJDF out of the table of its elements.
import fs from 'node:fs';
import path from 'node:path';
import { buildPackages, repo } from './build-steps.mjs';

buildPackages();
const { jobFileSchema } = await import('@druckerei/contract');
fs.writeFileSync(path.join(repo, 'docs', 'job-file.schema.json'), `${JSON.stringify(jobFileSchema(), null, 2)}\n`);
const { subsetTable, subsetXsd } = await import('@druckerei/formats/xjdf');
fs.writeFileSync(path.join(repo, 'docs', 'xjdf-subset.xsd'), subsetXsd());
const told = path.join(repo, 'docs', 'xjdf.md');
const MADE = /(<!-- made by npm run schema -->\n)[\s\S]*(<!-- end -->)/;
fs.writeFileSync(
  told,
  fs.readFileSync(told, 'utf8').replace(MADE, (_, head, end) => `${head}${subsetTable()}${end}`),
);
