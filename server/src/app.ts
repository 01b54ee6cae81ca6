import { existsSync } from 'node:fs';
import express, { type Express } from 'express';
import { type Wheel, createWheel } from './wheel/wheel.ts';

/**
 * Everything the app may load comes from where it was served; workers and pictures also from memory.
 * Styles are set by the interface at run time, hence inline.
 */
const CONTENT_POLICY = [
  "default-src 'self'",
  "script-src 'self' 'wasm-unsafe-eval'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' blob: data:",
  "font-src 'self' data: blob:",
  "worker-src 'self' blob:",
  "connect-src 'self' blob: data:",
  "object-src 'none'",
  "base-uri 'none'",
  "frame-ancestors 'none'",
  "form-action 'self'",
].join('; ');

/** Serves the built app from `dist` with strict headers, and the stand-ins for outside devices. */
export function createApp(dist: string, wheel: Wheel = createWheel()): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use((_request, response, next) => {
    response.set({
      'Content-Security-Policy': CONTENT_POLICY,
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
  app.use('/api', (_request, response) => {
    response.status(404).json({ problem: 'There is no such service.' });
  });
  app.use('/assets', express.static(`${dist}/assets`, { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(dist, { index: false, maxAge: 0 }));
  app.get('/{*splat}', (request, response) => {
    // A file that is not there must not come back as a page.
    if (/\.[a-z0-9]{2,8}$/i.test(request.path)) response.status(404).type('text/plain').send('Not found.');
    else response.sendFile('index.html', { root: dist, maxAge: 0 });
  });
  return app;
}
