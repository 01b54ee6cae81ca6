import { fileURLToPath } from 'node:url';
import { createApp } from './app.ts';
import { createDesk } from './desk/desk.ts';
import { createDeskStore } from './desk/deskStore.ts';
import { createSimulator } from './desk/simulator.ts';
import { createWheel } from './wheel/wheel.ts';

const host = process.env['HOST'] ?? '127.0.0.1';
const port = Number(process.env['PORT'] ?? 4173);
const dist = process.env['DIST'] ?? fileURLToPath(new URL('../../app/dist', import.meta.url));

const wheel = createWheel();
/** Requests survive a restart; tests and demos may keep theirs elsewhere, or have suppliers answer sooner. */
const deskFile =
  process.env['DESK_FILE'] ?? fileURLToPath(new URL('../../.cache/desk/requests.json', import.meta.url));
const delayMs = Number(process.env['DESK_DELAY_MS'] ?? '2500');
const desk = createDesk(
  createDeskStore(deskFile === '' ? undefined : deskFile),
  createSimulator({ delayMs }),
  Date.now,
);
const server = createApp(dist, { wheel, desk }).listen(port, host, () => {
  console.log(`Zest Line is open at http://${host}:${port}/`);
});
// A caller that never says what it wants does not keep a place.
server.headersTimeout = 10_000;
server.requestTimeout = 30_000;
server.on('error', (error: NodeJS.ErrnoException) => {
  const taken = error.code === 'EADDRINUSE';
  console.error(
    taken
      ? `Port ${port} is taken. Choose another: PORT=4200 npm run demo`
      : `The server could not start: ${error.message}`,
  );
  process.exit(1);
});
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    wheel.end();
    desk.end();
    server.close(() => process.exit(0));
  });
