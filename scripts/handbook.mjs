#!/usr/bin/env node
// npm run handbook: writes the shipped norms of the catalogue into docs/handbook/norms.md; --check tells whether that is done.
import fs from 'node:fs';
import path from 'node:path';
import { buildPackages, installPackages, repo } from './build-steps.mjs';

installPackages();
buildPackages();
const { SHIPPED_WORKS, normCatalogue } = await import('@druckerei/core');

const file = path.join(repo, 'docs/handbook/norms.md');
const groups = new Map();
for (const norm of normCatalogue(SHIPPED_WORKS).values()) {
  const group = groups.get(norm.group) ?? [];
  group.push(norm);
  groups.set(norm.group, group);
}
const row = ({ subject, name, id, value, unit, source }) =>
  `| ${subject} | ${name} | ${value} | ${unit} | ${source.label}${source.note ? `, ${source.note}` : ''} | \`${id}\` |`;
const tables = [...groups].map(
  ([group, norms]) =>
    `## ${group[0].toUpperCase()}${group.slice(1)}\n\n| of | norm | value | unit | source | id |\n|---|---|---|---|---|---|\n${norms.map(row).join('\n')}\n`,
);
const text = `# Shipped norms\n\nMade from the catalogue by \`npm run handbook\`. Every one of them is a setting of the house.\n\n${tables.join('\n')}`;

if (!process.argv.includes('--check')) fs.writeFileSync(file, text);
else if (!fs.existsSync(file) || fs.readFileSync(file, 'utf8') !== text) {
  process.stderr.write('docs/handbook/norms.md is not made from this catalogue: npm run handbook\n');
  process.exitCode = 1;
}
