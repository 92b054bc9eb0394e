import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import express from 'express';
import request from 'supertest';
import { serveWeb } from './serve-web.js';
import { inTheirTongue } from './tongue.js';

const CODE = 'console.log("of the build");';
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'druckerei-web-'));
const app = express();

beforeAll(() => {
  fs.writeFileSync(path.join(folder, 'index.html'), '<title>Druckerei</title>');
  fs.mkdirSync(path.join(folder, 'reckoner'));
  fs.writeFileSync(path.join(folder, 'reckoner/index.html'), '<title>Reckoner</title>');
  fs.writeFileSync(path.join(folder, 'index.de.html'), '<title>Druckerei auf Deutsch</title>');
  fs.writeFileSync(path.join(folder, 'chunk-ABCD2345.js'), CODE);
  fs.writeFileSync(path.join(folder, 'chunk-ABCD2345.js.br'), brotliCompressSync(CODE));
  fs.writeFileSync(path.join(folder, 'mark.svg'), '<svg/>');
  app.use(inTheirTongue);
  serveWeb(app, folder);
});
afterAll(() => fs.rmSync(folder, { recursive: true }));

describe('the web as it is served', () => {
  it('comes packed to who takes that, and as it is to others', async () => {
    const packed = await request(app).get('/chunk-ABCD2345.js').set('Accept-Encoding', 'br, gzip');
    expect(packed.headers['content-encoding']).toBe('br');
    expect(packed.headers['content-type']).toContain('javascript');
    expect(packed.headers['vary']).toContain('Accept-Encoding');
    const plain = await request(app).get('/chunk-ABCD2345.js').set('Accept-Encoding', 'identity');
    expect(plain.headers['content-encoding']).toBeUndefined();
    expect(plain.text).toBe(CODE);
  });

  it('is kept for ever where its name changes with it, and asked for anew where it does not', async () => {
    const cache = async (file: string) =>
      (await request(app).get(file).set('Accept-Encoding', 'br')).headers['cache-control'];
    expect(await cache('/chunk-ABCD2345.js')).toBe('public, max-age=31536000, immutable');
    expect(await cache('/mark.svg')).toBe('no-cache');
  });

  it('has the reckoner as a page of its own', async () => {
    const page = await request(app).get('/reckoner?sum=spine');
    expect(page.text).toContain('Reckoner');
    expect(page.headers['cache-control']).toBe('no-cache');
    expect((await request(app).get('/benches/reckoner')).text).toContain('Druckerei');
  });

  it('is the page of the language that is asked for; that of the sources where there is none of it', async () => {
    const page = async (address: string, language: string): Promise<string> =>
      (await request(app).get(address).set('Accept-Language', language)).text;
    expect(await page('/jobs/12', 'de-AT,de;q=0.9,en;q=0.8')).toContain('auf Deutsch');
    expect(await page('/jobs/12', 'fr')).not.toContain('auf Deutsch');
    expect(await page('/reckoner', 'de')).toBe('<title>Reckoner</title>');
    const { headers } = await request(app).get('/jobs/12');
    expect(headers['vary']).toContain('Accept-Language');
  });

  it('answers every other address with the page itself, never from a cache', async () => {
    const page = await request(app).get('/jobs/12');
    expect(page.text).toContain('Druckerei');
    expect(page.headers['cache-control']).toBe('no-cache');
    expect((await request(app).get('/')).text).toContain('Druckerei');
  });
});
