import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { type Server, request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { createApp } from './app.ts';

let server: Server;
let base = '';

beforeAll(async () => {
  // Under a dot-directory, where sending files by absolute path would fail.
  const dist = join(mkdtempSync(join(tmpdir(), 'zest-')), '.dist');
  mkdirSync(join(dist, 'assets'), { recursive: true });
  writeFileSync(
    join(dist, 'index.html'),
    '<!doctype html><title>Zest Line</title><meta property="csp-nonce" nonce="ZEST_NONCE">',
  );
  writeFileSync(join(dist, 'assets/app.js'), 'export {};');
  await new Promise<void>((resolve) => {
    server = createApp(dist).listen(0, '127.0.0.1', () => resolve());
  });
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => new Promise((resolve) => server.close(resolve)));

describe('the measuring wheel', () => {
  const send = (body: unknown): Promise<Response> =>
    fetch(`${base}/api/wheel/readings`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
  /** Listens until the first event and gives its data. */
  async function nextReading(act: () => Promise<unknown>): Promise<unknown> {
    const stop = new AbortController();
    const stream = await fetch(`${base}/api/wheel/readings`, { signal: stop.signal });
    const reader = stream.body!.getReader();
    await reader.read();
    await act();
    const { value } = await reader.read();
    stop.abort();
    return JSON.parse(new TextDecoder().decode(value).replace(/^data: /, ''));
  }

  it('has a window to roll it in', async () => {
    const page = await fetch(`${base}/wheel/`);
    expect(await page.text()).toContain('Measuring wheel');
    expect((await fetch(`${base}/wheel/wheel.js`)).status).toBe(200);
  });

  it('sends readings to who listens, and what is no reading in its failing mode', async () => {
    expect(await nextReading(() => send({ lengthM: 12.5 }))).toEqual({ lengthM: 12.5 });
    const fail = (on: boolean) =>
      fetch(`${base}/api/wheel/failing`, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ on }),
      });
    await fail(true);
    expect(await nextReading(() => send({ lengthM: 12.5 }))).toMatchObject({ lengthM: null });
    await fail(false);
  });

  it.each([{}, { lengthM: 'long' }, { lengthM: -1 }, { lengthM: 1e9 }])('refuses %j', async (body) => {
    expect((await send(body)).status).toBe(400);
  });
});

/** A raw request: fetch does not let the Host be chosen. */
const answerTo = (path: string, host: string): Promise<{ readonly status: number; readonly body: string }> =>
  new Promise((resolve, reject) => {
    const { port } = server.address() as AddressInfo;
    request({ host: '127.0.0.1', port, path, headers: { Host: host } }, (answer) => {
      let body = '';
      answer.on('data', (part: Buffer) => (body += part.toString()));
      answer.on('end', () => resolve({ status: answer.statusCode ?? 0, body }));
    })
      .on('error', reject)
      .end();
  });

describe('the server', () => {
  it.each(['localhost:4173', '127.0.0.1', '[::1]:80'])('answers to this machine as %s', async (host) => {
    expect((await answerTo('/jobs', host)).status).toBe(200);
  });

  it.each(['zest.example', 'localhost.example:80', '192.168.0.4'])('does not answer to %s', async (host) => {
    expect((await answerTo('/jobs', host)).status).toBe(421);
  });

  it.each(['/%E0%A4%A', '/assets/%E0', '/api/wheel/readings'])(
    'says nothing of itself when %s is no request',
    async (path) => {
      const answer =
        path === '/api/wheel/readings'
          ? await fetch(base + path, {
              method: 'POST',
              headers: { 'Content-Type': 'application/json' },
              body: '{',
            })
          : await fetch(base + path);
      const body = await answer.text();
      expect(answer.status).toBeGreaterThanOrEqual(400);
      expect(body).not.toMatch(/node_modules|\bat \w|\/(?:tmp|work|home)\//);
      expect(body.length).toBeLessThan(200);
    },
  );

  it('gives the app at every address of the app', async () => {
    for (const path of ['/', '/jobs', '/job/job-1/measure/sheet%3Aabc']) {
      const answer = await fetch(base + path);
      expect(answer.status).toBe(200);
      expect(await answer.text()).toContain('Zest Line');
    }
  });

  it('gives each page a nonce of its own for its styles, and takes no others', async () => {
    const nonces = await Promise.all(
      [1, 2].map(async () => {
        const answer = await fetch(`${base}/jobs`);
        const policy = answer.headers.get('Content-Security-Policy') ?? '';
        expect(policy).not.toContain('unsafe-inline');
        expect(answer.headers.get('Cache-Control')).toBe('no-store');
        const nonce = /nonce="([^"]+)"/.exec(await answer.text())?.[1] ?? '';
        expect(nonce.length).toBeGreaterThan(20);
        expect(policy).toContain(`style-src 'self' 'nonce-${nonce}'`);
        return nonce;
      }),
    );
    expect(nonces[0]).not.toBe(nonces[1]);
  });

  it('says not found for a file that is not there, in place of a page', async () => {
    expect((await fetch(`${base}/demo/missing.zestjob`)).status).toBe(404);
    expect((await fetch(`${base}/assets/missing.js`)).status).toBe(404);
    expect((await fetch(`${base}/api/missing`)).status).toBe(404);
  });

  it('lets nothing load from elsewhere and nobody frame it', async () => {
    const { headers } = await fetch(base);
    expect(headers.get('content-security-policy')).toMatch(/default-src 'self'.*frame-ancestors 'none'/);
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('x-powered-by')).toBeNull();
  });

  it('keeps built assets for good and the page never', async () => {
    expect((await fetch(`${base}/assets/app.js`)).headers.get('cache-control')).toContain('immutable');
    expect((await fetch(base)).headers.get('cache-control')).toContain('no-store');
    expect(await (await fetch(`${base}/api/health`)).json()).toEqual({ ok: true });
  });
});
