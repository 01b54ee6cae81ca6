import { fileURLToPath } from 'node:url';
import express, { type Response, type Router } from 'express';

/** Longest way one roll of the wheel reports, meters. */
const LONGEST_M = 10_000;
const LISTENER_LIMIT = 20;

export interface Wheel {
  /** Serves the wheel's window under `/wheel` and its door under `/api/wheel`. */
  readonly pages: Router;
  readonly door: Router;
  /** Ends every open stream, so that the server can close. */
  readonly end: () => void;
}

/**
 * The stand-in for a measuring wheel: a window that rolls and sends readings. They come to listeners as
 * server-sent events, `{"lengthM": 12.34}`, as a real wheel behind a small driver would send them. In
 * its failing mode it sends what is no reading, as a wheel with a flat battery does.
 */
export function createWheel(): Wheel {
  const listeners = new Set<Response>();
  let failing = false;
  const pages = express.Router();
  pages.use('/wheel', express.static(fileURLToPath(new URL('page', import.meta.url)), { maxAge: 0 }));

  const door = express.Router();
  door.use(express.json({ limit: '1kb' }));
  door.get('/readings', (request, response) => {
    if (listeners.size >= LISTENER_LIMIT) {
      response.status(503).json({ problem: 'Too many windows listen to the wheel. Close some.' });
      return;
    }
    response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store' });
    response.write(': the wheel is here\n\n');
    listeners.add(response);
    request.on('close', () => listeners.delete(response));
  });
  door.post('/readings', (request, response) => {
    const { lengthM } = (request.body ?? {}) as { readonly lengthM?: unknown };
    if (typeof lengthM !== 'number' || !(lengthM > 0) || lengthM > LONGEST_M) {
      response.status(400).json({ problem: 'A reading is a length in meters, up to ten kilometers.' });
      return;
    }
    const reading = JSON.stringify(failing ? { lengthM: null, battery: 'low' } : { lengthM });
    for (const listener of listeners) listener.write(`data: ${reading}\n\n`);
    response.status(202).json({ heard: listeners.size });
  });
  door.put('/failing', (request, response) => {
    failing = (request.body as { readonly on?: unknown } | undefined)?.on === true;
    response.json({ failing });
  });
  return {
    pages,
    door,
    end: () => {
      for (const listener of listeners) listener.end();
    },
  };
}
