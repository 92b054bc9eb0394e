#!/usr/bin/env node
// npm start: a works of one's own, never the demo's data. Settings come from the environment and from the file that
// DRUCKEREI_CONFIG names (druckerei.env beside package.json where it is there); `npm start -- --settings` tells them all.
import fs from 'node:fs';
import path from 'node:path';
import { buildAll, buildPackages, buildServer, installPackages, keptSecret, repo } from './build-steps.mjs';
import { installPostgres, worksCluster } from './database.mjs';
import { answers, keepRunning } from './keep-running.mjs';
import { $localize, fail, say, speakHere, warn } from './terminal.mjs';

installPackages();
if (process.argv.includes('--settings')) {
  buildPackages();
  buildServer();
  await speakHere();
  const { settingsHelp } = await import('../apps/server/dist/settings.js');
  for (const { name, meaning, usual } of settingsHelp())
    say(`${name.padEnd(22)} ${meaning}${usual === '' ? '' : ` ${$localize`(usually ${usual})`}`}`);
  process.exit(0);
}
buildAll();

const beside = path.join(repo, 'druckerei.env');
const named = process.env.DRUCKEREI_CONFIG ?? (fs.existsSync(beside) ? beside : undefined);
const config = named === undefined ? undefined : path.resolve(named);
await speakHere();
const { readSettings } = await import('../apps/server/dist/settings.js');
const asked = { ...process.env, ...(config === undefined ? {} : { DRUCKEREI_CONFIG: config }) };
// Where no address is told the database is the works' own, started here.
const OWN = 'own';
const told = readSettings(asked, { DATABASE_URL: OWN });
if (!told.settings) {
  warn($localize`The settings cannot be used:`);
  for (const line of told.wrong) warn(`  ${line}`);
  fail($localize`npm start -- --settings tells all of them.`);
}
const { settings, tlsFiles } = told;
if (settings.DEMO) fail($localize`DEMO=1 is for the demo: npm run demo. A works of its own never has its data.`);

const address = `${tlsFiles ? 'https' : 'http'}://${settings.HOST === '0.0.0.0' ? '127.0.0.1' : settings.HOST}:${settings.PORT}`;
if (await answers(address))
  fail($localize`Something answers at ${address} already; stop it first, or set PORT to another port.`);

let cluster;
let database = {};
if (settings.DATABASE_URL === OWN) {
  installPostgres();
  const kept = worksCluster();
  if (kept.start()) cluster = kept;
  database = kept.database('druckerei');
  say($localize`The database of the works is in ${kept.home}.`);
}
say($localize`Druckerei will be at ${address}. Ctrl-C stops it.`);
keepRunning(
  {
    ...database,
    ...(config === undefined ? {} : { DRUCKEREI_CONFIG: config }),
    WEB_DIR: settings.WEB_DIR ?? path.join(repo, 'apps/web/dist'),
    SESSION_SECRET: settings.SESSION_SECRET ?? keptSecret('works-secret'),
  },
  () => cluster?.stop(),
);
