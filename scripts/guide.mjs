#!/usr/bin/env node
// npm run guide: fills what the guide has out of the catalogues (between `<!-- made: ... -->` and `<!-- end -->`), in every
// language; --check tells whether that is done.
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { buildPackages, installPackages, repo } from './build-steps.mjs';
import { LANGUAGES } from './words/catalogue.mjs';

installPackages();
buildPackages();
// What core says as it is loaded, it says once: a process for each language.
for (const language of ['en', ...LANGUAGES]) {
  const file = path.join(repo, 'scripts/guide/in-language.mjs');
  const { status } = spawnSync(process.execPath, [file, language, ...process.argv.slice(2)], { stdio: 'inherit' });
  process.exitCode ||= status ?? 1;
}
