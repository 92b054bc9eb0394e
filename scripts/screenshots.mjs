#!/usr/bin/env node
// npm run screenshots: one picture of each main view, from the demo data, into docs/screenshots.
import path from 'node:path';
import { buildAll, installPackages, repo } from './build-steps.mjs';
import { withDemoServer } from './demo-server.mjs';

installPackages();
buildAll();
const { takeCrowded, takePictures } = await import('../e2e/tools/pictures.mjs');
const folder = path.join(repo, 'docs/screenshots');
await withDemoServer((address) => takePictures(address, folder));
await withDemoServer((address) => takeCrowded(address, folder), { DEMO_FLOOR: '1' });
