#!/usr/bin/env node
// npm run check: lint, format and types of what differs from the last commit; a matter of seconds, for before one.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { repo } from './build-steps.mjs';

const git = (...args) => spawnSync('git', args, { cwd: repo, encoding: 'utf8' }).stdout.split('\n').filter(Boolean);
const changed = [...git('diff', '--name-only', 'HEAD'), ...git('ls-files', '--others', '--exclude-standard')].filter(
  (file) => fs.existsSync(path.join(repo, file)),
);
const sources = changed.filter((file) => /\.(ts|mjs)$/.test(file));
/** Projects whose types are looked at where one of their files has changed. */
const PROJECTS = {
  'packages/core': 'packages/core',
  'packages/contract': 'packages/contract',
  'packages/formats': 'packages/formats',
  'apps/server': 'apps/server',
  'apps/web': 'apps/web/tsconfig.spec.json',
  e2e: 'e2e',
};
const node = (...args) => spawnSync(process.execPath, args, { cwd: repo, stdio: 'inherit' }).status === 0;
const bin = (file) => path.join(repo, 'node_modules', file);
const results = [
  sources.length === 0 || node(bin('eslint/bin/eslint.js'), ...sources),
  changed.length === 0 || node(bin('prettier/bin/prettier.cjs'), '--check', '--ignore-unknown', ...changed),
  ...Object.entries(PROJECTS).map(
    ([folder, project]) =>
      !sources.some((file) => file.startsWith(`${folder}/`)) ||
      node(bin('typescript/bin/tsc'), '--noEmit', '-p', project),
  ),
];
process.stdout.write(results.every(Boolean) ? `${changed.length} changed files are in order\n` : 'not in order\n');
process.exitCode = results.every(Boolean) ? 0 : 1;
