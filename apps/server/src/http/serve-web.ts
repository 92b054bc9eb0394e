import fs from 'node:fs';
import path from 'node:path';
import type { Express, RequestHandler } from 'express';
import expressStaticGzip from 'express-static-gzip';
import { tongueHere } from './tongue.js';

/** Pages that are an application of their own, for whoever wants no more than them. */
const ALONE = ['reckoner'];
const WORDS = /^words-([a-z]{2})-[A-Z0-9]{8}\.js$/;

/** A page of the build in the language of who asks for it: what the build left, with the words of another before all else. */
function spokenPage(folder: string, base: string): () => string {
  const own = fs.readFileSync(path.join(folder, 'index.html'), 'utf8');
  const pages = fs.readdirSync(folder).flatMap((file): [string, string][] => {
    const language = WORDS.exec(file)?.[1];
    if (language === undefined) return [];
    const head = `<script src="${base}${file}" defer></script></head>`;
    return [[language, own.replace('<html lang="en"', `<html lang="${language}"`).replace('</head>', head)]];
  });
  const others = new Map(pages);
  return () => others.get(tongueHere()) ?? own;
}

/** The web application, packed as the build left it: hashed files for ever, a page itself never from a cache. */
export function serveWeb(app: Express, webDir: string): void {
  const page = (name: string): RequestHandler => {
    const pageNow = spokenPage(path.resolve(webDir, name), name === '' ? '/' : `/${name}/`);
    return (_request, response) => {
      response.vary('Accept-Language, Cookie');
      response.setHeader('Cache-Control', 'no-cache');
      response.type('html').send(pageNow());
    };
  };
  for (const name of ALONE) app.get(`/${name}`, page(name));
  app.use(
    expressStaticGzip(webDir, {
      index: false,
      enableBrotli: true,
      orderPreference: ['br'],
      serveStatic: {
        setHeaders: (response, file) => {
          const hashed = /-[A-Z0-9]{8}\./.test(path.basename(file));
          response.setHeader('Cache-Control', hashed ? 'public, max-age=31536000, immutable' : 'no-cache');
        },
      },
    }),
  );
  app.get('/{*path}', page(''));
}
