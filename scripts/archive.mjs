#!/usr/bin/env node
// npm run archive -- begin FOLDER: the demo's cluster keeps its log in FOLDER from now on, behind a copy of what is there.
// npm run archive -- recover FOLDER: makes the cluster anew out of it, where it is lost. docs/deploy.md says what to do elsewhere.
import path from 'node:path';
import { demoCluster, installPostgres } from './database.mjs';
import { $localize, fail, say, warn } from './terminal.mjs';

const [what, name, ...more] = process.argv.slice(2);
if (!['begin', 'recover'].includes(what) || name === undefined || more.length > 0)
  fail($localize`Say what and where: npm run archive -- begin FOLDER, or recover FOLDER`, 2);
const folder = path.resolve(process.env.INIT_CWD ?? '.', name);
installPostgres();
const cluster = demoCluster();
try {
  if (what === 'begin') {
    const started = cluster.start();
    cluster.archive(folder);
    if (started) cluster.stop();
    say($localize`Archived into ${folder} from now on. Keep it on another disk, and begin a new one every week.`);
  } else {
    cluster.recover(folder);
    cluster.stop();
    say($localize`Recovered out of ${folder}. Start the server again.`);
  }
} catch (error) {
  warn(error.message);
  process.exitCode = 1;
}
