import { randomBytes, timingSafeEqual } from 'node:crypto';
import express, { type Request, type Response, type Router } from 'express';
import { type Answer, type AskedRequest, type KeptRequest, readAnswer, readAsked } from './asked.ts';
import { type DeskStore } from './deskStore.ts';
import { supplierPage, thanksPage } from './supplierPage.ts';
import { type Simulator } from './simulator.ts';

/** How the desk fails when it is told to. */
export const FAILURES = ['none', 'errors', 'broken', 'silent'] as const;
export type DeskFailure = (typeof FAILURES)[number];

export interface Desk {
  /** Suppliers' pages, under `/desk`. */
  readonly pages: Router;
  /** What the app asks, under `/api/desk`. */
  readonly door: Router;
  readonly end: () => void;
}

const LARGEST_REQUEST = '2mb';

/**
 * The stand-in for asking suppliers: it keeps what was asked, gives each supplier a page at an address of its own, and
 * hands the answers to whoever has the request's secret. Asked twice with the same id, it asks once. In its failing modes it
 * answers as services do when they are down: with errors, with broken text, or not at all.
 */
export function createDesk(store: DeskStore, simulator: Simulator, now: () => number): Desk {
  let failure: DeskFailure = 'none';
  const door = express.Router();
  door.put('/failing', express.json({ limit: '1kb' }), (request, response) => {
    const { mode } = (request.body ?? {}) as { readonly mode?: unknown };
    failure = FAILURES.find((each) => each === mode) ?? 'none';
    response.json({ mode: failure });
  });
  door.use((_request, response, next) => {
    if (failure === 'none') next();
    else if (failure === 'errors') response.status(500).json({ problem: 'The quote desk is down.' });
    else if (failure === 'broken') response.type('json').send('{"suppliers": [');
    // Silent: the caller gives up by itself.
  });
  door.put('/requests/:id', express.json({ limit: LARGEST_REQUEST }), (request, response) => {
    const asked = readAsked(request.params['id'], request.body);
    if (asked === undefined)
      return void response.status(400).json({ problem: 'The request is not complete.' });
    const had = store.find(asked.id);
    if (had !== undefined && !isSame(had.secret, asked.secret))
      return void response.status(403).json({ problem: 'Another job has sent a request of this name.' });
    const kept = had === undefined ? keep(asked) : addSuppliers(had, asked);
    store.put(kept);
    for (const { token } of kept.suppliers)
      simulator.schedule(kept, token, (answer) => take(kept.id, token, answer));
    response.json({ suppliers: kept.suppliers.map(({ key, token }) => ({ key, token })) });
  });
  door.get('/requests/:id/answers', (request, response) => {
    const kept = store.find(request.params.id);
    const secret = request.get('authorization')?.replace(/^Bearer /, '') ?? '';
    // One answer for both, so that nobody finds out what there is.
    if (kept === undefined || !isSame(kept.secret, secret))
      return void response.status(404).json({ problem: 'There is no such request.' });
    response.json({ suppliers: kept.suppliers.map(({ key, answer }) => ({ key, answer: answer ?? null })) });
  });

  const take = (id: string, token: string, answer: Answer): void => {
    const kept = store.find(id);
    if (kept === undefined) return;
    const at = new Date(now()).toISOString();
    store.put({
      ...kept,
      suppliers: kept.suppliers.map((each) =>
        each.token === token ? { ...each, answer: { ...answer, at } } : each,
      ),
    });
  };
  return { door, pages: supplierPages(store, take), end: () => simulator.end() };
}

function supplierPages(store: DeskStore, take: (id: string, token: string, answer: Answer) => void): Router {
  const pages = express.Router();
  const found = (request: Request, response: Response): { kept: KeptRequest; token: string } | undefined => {
    const token = String(request.params['token'] ?? '');
    const kept = store.byToken(token);
    if (kept === undefined) {
      response
        .status(404)
        .type('text/plain')
        .send('There is no request at this address. Ask whoever sent it to you.');
      return undefined;
    }
    return { kept, token };
  };
  pages.get('/desk/:token', (request, response) => {
    const place = found(request, response);
    if (place === undefined) return;
    response
      .set('Cache-Control', 'no-store')
      .type('html')
      .send(supplierPage(place.kept, place.token, nonceOf(response), []));
  });
  pages.post(
    '/desk/:token',
    express.urlencoded({ extended: false, limit: LARGEST_REQUEST, parameterLimit: 20_000 }),
    (request, response) => {
      const place = found(request, response);
      if (place === undefined) return;
      const read = readAnswer(place.kept, (request.body ?? {}) as Readonly<Record<string, unknown>>);
      response.set('Cache-Control', 'no-store').type('html');
      if (read.problems.length > 0) {
        response
          .status(422)
          .send(supplierPage(place.kept, place.token, nonceOf(response), read.problems, read.typed));
        return;
      }
      take(place.kept.id, place.token, read.answer);
      response.send(thanksPage(place.kept, read.answer, nonceOf(response)));
    },
  );
  return pages;
}

const nonceOf = (response: Response): string => String(response.locals['nonce']);

/** As long for a wrong secret as for the right one. */
function isSame(secret: string, given: string): boolean {
  const [a, b] = [Buffer.from(secret), Buffer.from(given)];
  return a.length === b.length && timingSafeEqual(a, b);
}

const makeToken = (): string => randomBytes(18).toString('base64url');

const keep = (asked: AskedRequest): KeptRequest => ({
  ...asked,
  suppliers: asked.suppliers.map((each) => ({ ...each, token: makeToken() })),
});

/** Nothing is asked twice: those who were asked keep their page and their answer, others are added. */
const addSuppliers = (had: KeptRequest, asked: AskedRequest): KeptRequest => ({
  ...had,
  suppliers: [
    ...had.suppliers,
    ...asked.suppliers
      .filter(({ key }) => had.suppliers.every((each) => each.key !== key))
      .map((each) => ({ ...each, token: makeToken() })),
  ],
});
