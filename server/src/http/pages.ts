import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express, type RequestHandler, type Response } from 'express';
import helmet from 'helmet';

const NONCE = '__CSP_NONCE__';
const YEAR_SECONDS = 31_536_000;

const strict = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      scriptSrc: ["'self'"],
      workerSrc: ["'self'"],
      styleSrc: ["'self'", (_, response) => `'nonce-${nonceOf(response as Response)}'`],
      styleSrcAttr: ["'unsafe-inline'"],
      imgSrc: ["'self'", 'data:'],
      fontSrc: ["'self'"],
      connectSrc: ["'self'"],
      objectSrc: ["'none'"],
      baseUri: ["'none'"],
      formAction: ["'self'"],
      frameAncestors: ["'none'"],
    },
  },
  referrerPolicy: { policy: 'no-referrer' },
  strictTransportSecurity: false,
});

const HTTPS_ONLY = `max-age=${YEAR_SECONDS}`;

/** The exact solver is WebAssembly: only the files of workers may run it. */
const WORKER_POLICY = "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; object-src 'none'";
const WORKER_FILE = /\.worker-[\w-]+\.js$/;

/** A strict policy with a nonce of its own for each page. */
export const securityHeaders: RequestHandler = (request, response, next) => {
  response.locals.nonce = randomBytes(16).toString('base64');
  // Nothing here is for search engines, least of all what stands behind a link.
  response.set('X-Robots-Tag', 'noindex, nofollow');
  if (request.secure) response.set('Strict-Transport-Security', HTTPS_ONLY);
  strict(request, response, next);
};

function nonceOf(response: Response): string {
  return response.locals.nonce as string;
}

/** The built pages: hashed assets for a year, every other path the one page with its nonce put in. */
export function mountPages(app: Express, folder: string): void {
  const index = join(folder, 'index.html');
  const page = existsSync(index) ? readFileSync(index, 'utf8') : undefined;
  app.use(
    '/assets',
    express.static(join(folder, 'assets'), {
      immutable: true,
      maxAge: YEAR_SECONDS * 1000,
      fallthrough: false,
      setHeaders: (response, path) => {
        if (WORKER_FILE.test(path)) response.setHeader('Content-Security-Policy', WORKER_POLICY);
      },
    }),
  );
  app.use(express.static(folder, { index: false }));
  app.get('/{*path}', (_request, response) => {
    response.set('Cache-Control', 'no-store').type('html');
    if (page === undefined) response.status(404).send('The pages are not built. Run: npm run build');
    else response.send(page.replaceAll(NONCE, nonceOf(response)));
  });
}
