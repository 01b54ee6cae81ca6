import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import express, { type ErrorRequestHandler, type Express, type RequestHandler, type Response } from 'express';
import { type Desk, createDesk } from './desk/desk.ts';
import { createDeskStore } from './desk/deskStore.ts';
import { createSimulator } from './desk/simulator.ts';
import { type Wheel, createWheel } from './wheel/wheel.ts';

/** Keeps what it is asked in memory only. */
const usualDesk = (): Desk => createDesk(createDeskStore(), createSimulator(), Date.now);

/** Stands in the built page where the nonce of an answer goes; see `html.cspNonce` in app/vite.config.ts. */
const NONCE_PLACE = 'ZEST_NONCE';

/**
 * Everything the app may load comes from where it was served; workers and pictures also from memory. The style
 * elements that the interface makes at run time carry the nonce of the page they are on.
 */
const contentPolicy = (nonce: string): string =>
  [
    "default-src 'self'",
    "script-src 'self' 'wasm-unsafe-eval'",
    `style-src 'self' 'nonce-${nonce}'`,
    "img-src 'self' blob: data:",
    "font-src 'self' data: blob:",
    "worker-src 'self' blob:",
    "connect-src 'self' blob: data:",
    "object-src 'none'",
    "base-uri 'none'",
    "frame-ancestors 'none'",
    "form-action 'self'",
  ].join('; ');

/** Names of this machine to itself. A page elsewhere that points its own name here is not let in. */
const LOOPBACK = /^(localhost|127(\.\d{1,3}){3}|\[::1\])(:\d{1,5})?$/i;

/** HOST says that the server is meant to be reached from elsewhere: then any name is right. */
const isOpened = !LOOPBACK.test(process.env['HOST'] ?? '127.0.0.1');

const refuseOtherHosts: RequestHandler = (request, response, next) => {
  if (isOpened || LOOPBACK.test(request.headers.host ?? '')) next();
  else response.status(421).type('text/plain').send('This server answers to localhost only.');
};

/** What went wrong stays here: no stack and no path of this machine goes out. */
const sayLittle: ErrorRequestHandler = (error: { readonly status?: number }, _request, response, next) => {
  if (response.headersSent) return next(error);
  const { status = 500 } = error;
  const known = status >= 400 && status < 500;
  response
    .status(known ? status : 500)
    .type('text/plain')
    .send(known ? 'The request was not understood.' : 'Something went wrong here. Try again.');
};

/** The app's page with the nonce of this answer: no two are alike, so none is kept. */
function sendPage(dist: string, response: Response): void {
  const page = readFileSync(`${dist}/index.html`, 'utf8');
  response
    .set('Cache-Control', 'no-store')
    .type('html')
    .send(page.replaceAll(NONCE_PLACE, String(response.locals['nonce'])));
}

/** The stand-ins for what is outside. */
export interface StandIns {
  readonly wheel?: Wheel;
  readonly desk?: Desk;
}

/** Serves the built app from `dist` with strict headers, and the stand-ins for outside devices and services. */
export function createApp(
  dist: string,
  { wheel = createWheel(), desk = usualDesk() }: StandIns = {},
): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(refuseOtherHosts);
  app.use((_request, response, next) => {
    const nonce = randomBytes(16).toString('base64');
    response.locals['nonce'] = nonce;
    response.set({
      'Content-Security-Policy': contentPolicy(nonce),
      'X-Content-Type-Options': 'nosniff',
      'Referrer-Policy': 'no-referrer',
      'Cross-Origin-Opener-Policy': 'same-origin',
      'Cross-Origin-Resource-Policy': 'same-origin',
    });
    next();
  });
  app.get('/api/health', (_request, response) => {
    response.json({ ok: existsSync(`${dist}/index.html`) });
  });
  app.use('/api/wheel', wheel.door);
  app.use(wheel.pages);
  app.use('/api/desk', desk.door);
  app.use(desk.pages);
  app.use('/api', (_request, response) => {
    response.status(404).json({ problem: 'There is no such service.' });
  });
  app.use('/assets', express.static(`${dist}/assets`, { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(dist, { index: false, maxAge: 0 }));
  app.get('/{*splat}', (request, response) => {
    // A file that is not there must not come back as a page.
    if (/\.[a-z0-9]{2,8}$/i.test(request.path)) response.status(404).type('text/plain').send('Not found.');
    else sendPage(dist, response);
  });
  app.use(sayLittle);
  return app;
}
