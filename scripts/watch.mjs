#!/usr/bin/env node
// npm run test:watch -- core/flow: the unit tests of one area again at every change; --once runs them and ends.
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { repo } from './build-steps.mjs';

const [area = '', ...rest] = process.argv.slice(2).filter((arg) => arg !== '--once');
const [name, ...folders] = area.split('/');
const folder = name === 'web' || name === 'server' ? `apps/${name}` : `packages/${name}`;
if (!['core', 'contract', 'formats', 'web', 'server'].includes(name)) {
  process.stderr.write('npm run test:watch -- AREA, such as core/flow, contract, web/features/job, server/work\n');
  process.exit(1);
}
const args = [
  ...(name === 'web' ? [] : ['--experimental-vm-modules', '--disable-warning=ExperimentalWarning']),
  path.join(repo, 'node_modules/jest/bin/jest.js'),
  '-c',
  `${folder}/jest.config.mjs`,
  ...(process.argv.includes('--once') ? [] : ['--watch']),
  ...(folders.length > 0 ? [folders.join('/')] : []),
  ...rest,
];
process.exitCode = spawnSync(process.execPath, args, { cwd: repo, stdio: 'inherit' }).status ?? 1;
