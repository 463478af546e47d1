import type { Express } from 'express';
import expressStaticGzip from 'express-static-gzip';
import fs from 'node:fs';
import path from 'node:path';

/**
 * Serves the built page at every address that is not the API's, packed as the build packed it;
 * nothing where it is not built.
 */
export function servePage(app: Express, webDir: string): void {
  if (!fs.existsSync(webDir)) return;
  app.use(
    expressStaticGzip(webDir, {
      index: false,
      serveStatic: {
        setHeaders: (res, file) => {
          res.setHeader(
            'Cache-Control',
            /\/assets\//.test(file) ? 'public, max-age=31536000, immutable' : 'no-cache',
          );
        },
      },
    }),
  );
  app.get('/{*rest}', (req, res) => {
    if (path.extname(req.path)) {
      res.status(404).type('text').send('Not found');
      return;
    }
    res.sendFile(path.join(webDir, 'index.html'), {
      headers: { 'Cache-Control': 'no-cache' },
    });
  });
}
