#!/usr/bin/env node
// npm run screenshots: one picture of each main view, from the demo data, into docs/screenshots.
import path from 'node:path';
import { buildAll, installPackages, repo } from './build-steps.mjs';
import { withDemoServer } from './demo-server.mjs';

installPackages();
buildAll();
const { takePictures } = await import('../e2e/tools/pictures.mjs');
await withDemoServer((address) => takePictures(address, path.join(repo, 'docs/screenshots')));
