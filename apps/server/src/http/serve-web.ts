import path from 'node:path';
import type { Express } from 'express';
import expressStaticGzip from 'express-static-gzip';

/** The web application, packed as the build left it: hashed files for ever, the page itself never from a cache. */
export function serveWeb(app: Express, webDir: string): void {
  const index = path.resolve(webDir, 'index.html');
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
  app.get('/{*path}', (_request, response) => {
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(index);
  });
}
