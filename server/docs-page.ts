import { type Express } from 'express';
import fs from 'node:fs/promises';
import path from 'node:path';
import { marked } from 'marked';

const STYLE =
  'body{font:16px/1.5 system-ui,sans-serif;margin:0 auto;max-width:70rem;padding:1.5rem;color:#1e2528;background:#f5f1e8}' +
  'table{border-collapse:collapse;width:100%}td,th{text-align:left;vertical-align:top;padding:.3rem .6rem;border-bottom:1px solid #d2cdbf}' +
  'code{font-size:.95em}';

/** The page about site files, as the repository has it: for whoever writes one by hand. */
export function serveDocs(app: Express): void {
  app.get('/docs/site-file', async (_req, res) => {
    const text = await fs.readFile(path.resolve('docs/site-file.md'), 'utf8');
    const body = await marked.parse(text);
    res
      .type('html')
      .send(
        `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>The site file, Jactum</title><style>${STYLE}</style><main>${body}</main></html>`,
      );
  });
}
