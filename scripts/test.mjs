#!/usr/bin/env node
// npm test: types, lint, unit tests, server tests on a real PostgreSQL, browser tests. Ends with one closing line.
// `npm test -- core server` runs some parts only: types lint trial core contract formats server web e2e.
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { buildAll, buildPackages, buildServer, installPackages, repo } from './build-steps.mjs';
import { installPostgres, needPackage, testCluster } from './database.mjs';

const wanted = process.argv.slice(2);
const wants = (part) => wanted.length === 0 || wanted.includes(part);
const results = [];
/** Letters of what a part said that are said again at the end, when it failed. */
const MOST_SAID = 4_000;
const reports = fs.mkdtempSync(path.join(os.tmpdir(), 'druckerei-reports-'));

/** Runs a part, showing what it says as it says it. @returns whether it passed, and the last that it said. */
async function execute(name, command, args, env = {}) {
  process.stdout.write(`\n== ${name}\n`);
  const child = spawn(command, args, {
    cwd: repo,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, ...env },
  });
  let said = '';
  for (const [from, to] of [
    [child.stdout, process.stdout],
    [child.stderr, process.stderr],
  ])
    from.on('data', (data) => {
      to.write(data);
      said = (said + data).slice(-MOST_SAID);
    });
  const [code] = await once(child, 'close');
  return { ok: code === 0, said };
}

/** A check that passes or fails as a whole. */
async function check(name, command, args) {
  if (wants(name)) results.push({ name, passed: 0, failed: 0, ...(await execute(name, command, args)) });
}

async function jest(name, config, env, { esm = true } = {}) {
  if (!wants(name)) return;
  const report = path.join(reports, `${name}.json`);
  const flags = esm ? ['--experimental-vm-modules', '--disable-warning=ExperimentalWarning'] : [];
  const { ok, said } = await execute(
    name,
    process.execPath,
    [
      ...flags,
      'node_modules/jest/bin/jest.js',
      '-c',
      config,
      '--json',
      `--outputFile=${report}`,
      '--reporters=default',
    ],
    env,
  );
  const counts = fs.existsSync(report)
    ? JSON.parse(fs.readFileSync(report, 'utf8'))
    : { numPassedTests: 0, numFailedTests: 0, numFailedTestSuites: 0, testResults: [] };
  // A suite that does not even start has no failed tests; it counts as one.
  const failed = counts.numFailedTests + (counts.numFailedTests === 0 ? counts.numFailedTestSuites : 0);
  const told = counts.testResults
    .filter(({ status }) => status === 'failed')
    .map(({ message }) => message.slice(0, MOST_SAID));
  results.push({ name, passed: counts.numPassedTests, failed, ok, said: told.length > 0 ? told.join('\n') : said });
}

/** Each file of tests has a database that no server has seen yet. */
async function browser(cluster) {
  if (!wants('e2e')) return;
  const report = path.join(reports, 'e2e.json');
  const files = fs.readdirSync(path.join(repo, 'e2e/tests')).filter((file) => file.endsWith('.spec.ts'));
  const databases = files.map((file) => {
    const name = path.basename(file, '.spec.ts');
    return [name, cluster.database(`druckerei_e2e_${name.replaceAll('-', '_')}`)];
  });
  const env = {
    E2E_DATABASES: JSON.stringify(Object.fromEntries(databases)),
    PLAYWRIGHT_JSON_OUTPUT_NAME: report,
  };
  const { ok, said } = await execute(
    'e2e',
    process.execPath,
    ['node_modules/@playwright/test/cli.js', 'test', '-c', 'e2e'],
    env,
  );
  const {
    expected = 0,
    unexpected = 0,
    flaky = 0,
  } = fs.existsSync(report) ? JSON.parse(fs.readFileSync(report, 'utf8')).stats : {};
  results.push({ name: 'e2e', passed: expected, failed: unexpected + flaky, ok, said });
}

installPackages();
if (wants('types') || wants('lint') || wants('e2e')) buildAll();
else buildPackages();
// The threads of the server run what is built.
if (wants('server')) buildServer();
await check('types', 'npm', ['run', '--silent', 'typecheck']);
await check('lint', 'npm', ['run', '--silent', 'lint']);
await check('trial', process.execPath, ['scripts/trial.mjs', '--short']);
for (const name of ['core', 'contract', 'formats']) await jest(name, `packages/${name}/jest.config.mjs`, {});
await jest('web', 'apps/web/jest.config.mjs', {}, { esm: false });

if (wants('server') || wants('e2e')) {
  installPostgres();
  const cluster = testCluster();
  const end = () => cluster.destroy();
  process.once('exit', end);
  process.once('SIGINT', () => process.exit(130));
  process.once('SIGTERM', () => process.exit(143));
  cluster.start();
  await jest('server', 'apps/server/jest.config.mjs', cluster.database('druckerei_test'));
  needPackage('chromium', () => fs.existsSync('/usr/bin/chromium'));
  await browser(cluster);
}
fs.rmSync(reports, { recursive: true, force: true });

// What failed is said once more: a log may be cut to its end.
for (const { name, ok, said } of results) if (!ok) process.stdout.write(`\n== ${name} failed:\n${said}\n`);
process.stdout.write('\n');
for (const { name, passed, failed, ok } of results)
  process.stdout.write(
    `${name.padEnd(10)} ${ok ? 'ok' : 'FAILED'}${passed + failed > 0 ? `, ${passed} of ${passed + failed}` : ''}\n`,
  );
const sum = (field) => results.reduce((total, result) => total + result[field], 0);
// A runner that failed without a failed test (types, lint, a crash) counts as one failure.
const failed = sum('failed') + results.filter(({ ok, failed: n }) => !ok && n === 0).length;
const passed = sum('passed') + results.filter(({ ok, passed: n }) => ok && n === 0).length;
process.stdout.write(`${passed} passed, ${failed} failed\n`);
process.exitCode = failed === 0 ? 0 : 1;
