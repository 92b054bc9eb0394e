import fs from 'node:fs';
import path from 'node:path';
import type { Express, RequestHandler } from 'express';
import expressStaticGzip from 'express-static-gzip';
import { SPOKEN } from '@druckerei/contract/plain';
import { tongueHere } from './tongue.js';

/** Pages that are an application of their own, for whoever wants no more than them. */
const ALONE = ['reckoner'];

/** A page of the build in the language of who asks for it; as the sources say it where there is none of that language. */
function spokenPage(folder: string): () => string {
  const read = (file: string): string => fs.readFileSync(path.join(folder, file), 'utf8');
  const own = read('index.html');
  const others = new Map(
    SPOKEN.flatMap((language) => {
      const file = `index.${language}.html`;
      return fs.existsSync(path.join(folder, file)) ? [[language, read(file)]] : [];
    }),
  );
  return () => others.get(tongueHere()) ?? own;
}

/** The web application, packed as the build left it: hashed files for ever, a page itself never from a cache. */
export function serveWeb(app: Express, webDir: string): void {
  const page = (name: string): RequestHandler => {
    const pageNow = spokenPage(path.resolve(webDir, name));
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
