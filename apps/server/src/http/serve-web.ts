import path from 'node:path';
import type { Express, RequestHandler } from 'express';
import expressStaticGzip from 'express-static-gzip';

/** Pages that are an application of their own, for whoever wants no more than them. */
const ALONE = ['reckoner'];

/** The web application, packed as the build left it: hashed files for ever, a page itself never from a cache. */
export function serveWeb(app: Express, webDir: string): void {
  const page =
    (file: string): RequestHandler =>
    (_request, response) => {
      response.setHeader('Cache-Control', 'no-cache');
      response.sendFile(path.resolve(webDir, file));
    };
  for (const name of ALONE) app.get(`/${name}`, page(`${name}/index.html`));
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
  app.get('/{*path}', page('index.html'));
}
