#!/usr/bin/env node
// npm run screenshots: one picture of each main view, from the demo data, into docs/screenshots; those that the guide shows in every
// language of it, beside its pages.
import fs from 'node:fs';
import path from 'node:path';
import { buildAll, installPackages, repo } from './build-steps.mjs';
import { withDemoServer } from './demo-server.mjs';

installPackages();
buildAll();
const { takeCrowded, takePictures } = await import('../e2e/tools/pictures.mjs');
const folders = { en: path.join(repo, 'docs/screenshots'), de: path.join(repo, 'docs/guide/de/pictures') };
for (const folder of Object.values(folders)) {
  fs.rmSync(folder, { recursive: true, force: true });
  fs.mkdirSync(folder, { recursive: true });
}
await withDemoServer((address) => takePictures(address, folders));
await withDemoServer((address) => takeCrowded(address, folders), { DEMO_FLOOR: '1' });
