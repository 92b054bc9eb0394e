// Everything that may keep what is typed from the server, in a real browser: two tabs, a shared computer, a full storage, lost answers.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { buildAll, repo } from '../build-steps.mjs';
import { needPackage } from '../database.mjs';
import { withCluster } from '../demo-server.mjs';

/** @returns rows of the table, and whether all of it was reached. */
export function typing() {
  needPackage('chromium', () => fs.existsSync('/usr/bin/chromium'));
  buildAll();
  return withCluster((cluster) => {
    const report = path.join(os.tmpdir(), `druckerei-typing-${process.pid}.json`);
    spawnSync(process.execPath, ['node_modules/@playwright/test/cli.js', 'test', '-c', 'e2e', 'nothing-lost'], {
      cwd: repo,
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, ...cluster.database('typing'), PLAYWRIGHT_JSON_OUTPUT_NAME: report },
    });
    const specs = JSON.parse(fs.readFileSync(report, 'utf8')).suites.flatMap((suite) => suite.specs);
    fs.rmSync(report);
    return {
      rows: specs.map(({ title, ok }) => [
        title.split(/[:,]/)[0],
        ok ? 'kept' : 'LOST',
        'nothing lost, nothing misattributed',
      ]),
      met: specs.length > 0 && specs.every(({ ok }) => ok),
    };
  });
}
