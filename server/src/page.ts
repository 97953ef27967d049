import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import express, { type RequestHandler, Router } from 'express';
import { Problem } from './errors.ts';
import { pageHeaders } from './security.ts';

/** Where the page takes its nonce from; web/index.html has it in a meta element. */
const NONCE_PLACE = '%NONCE%';

/** A nonce for each answer, before the headers are put together. */
const withNonce: RequestHandler = (_request, response, next) => {
  (response as { nonce?: string }).nonce = randomBytes(16).toString('base64');
  next();
};

/** The built page: its files, and for every other address its one document. */
export function page(webRoot: string): Router {
  const router = Router();
  router.use(withNonce, pageHeaders);
  router.use('/assets', express.static(join(webRoot, 'assets'), { immutable: true, maxAge: '1y', index: false }));
  router.use('/assets', () => {
    throw new Problem('unknown-route', 'There is no such file. The page may be older than the program: load it again.');
  });
  const document = pageDocument(join(webRoot, 'index.html'));
  router.get('/index.html', document);
  router.use(express.static(webRoot, { index: false, maxAge: 0, dotfiles: 'ignore' }));
  router.get('/{*path}', document);
  return router;
}

/** The one document, with the nonce of its answer; read when first asked for. */
function pageDocument(file: string): RequestHandler {
  let document: string | null = null;
  return (_request, response) => {
    document ??= read(file);
    const { nonce } = response as { nonce?: string };
    response
      .set('Cache-Control', 'no-cache')
      .type('html')
      .send(document.replace(NONCE_PLACE, nonce ?? ''));
  };
}

function read(file: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    throw new Problem('page-not-built', 'Run npm start, which builds the page, or npm run build.');
  }
}
