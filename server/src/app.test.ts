import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
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
  writeFileSync(join(dist, 'index.html'), '<!doctype html><title>Zest Line</title>');
  writeFileSync(join(dist, 'assets/app.js'), 'export {};');
  await new Promise<void>((resolve) => {
    server = createApp(dist).listen(0, '127.0.0.1', () => resolve());
  });
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => new Promise((resolve) => server.close(resolve)));

describe('the server', () => {
  it('gives the app at every address of the app', async () => {
    for (const path of ['/', '/jobs', '/job/job-1/measure/sheet%3Aabc']) {
      const answer = await fetch(base + path);
      expect(answer.status).toBe(200);
      expect(await answer.text()).toContain('Zest Line');
    }
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
    expect((await fetch(base)).headers.get('cache-control')).toContain('max-age=0');
    expect(await (await fetch(`${base}/api/health`)).json()).toEqual({ ok: true });
  });
});
