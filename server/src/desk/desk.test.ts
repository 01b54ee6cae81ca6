import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, describe, expect, it } from '@jest/globals';
import { createApp } from '../app.ts';
import type { Answer, KeptRequest } from './asked.ts';
import { createDesk } from './desk.ts';
import { createDeskStore } from './deskStore.ts';
import { MANNERS, answerIn, createSimulator } from './simulator.ts';

const SECRET = 'a-secret-of-this-job-alone';
const ROWS = ['studs', 'plates', 'nails'].map((description, at) => ({
  key: `r${at + 1}`,
  partNumber: '',
  description,
  unit: 'ft',
  quantity: '100',
}));
const ASKED = {
  secret: SECRET,
  name: 'Lumber for the boathouse',
  company: 'Builders',
  due: '2026-12-10',
  note: 'Delivered <in two parts>',
  currency: 'USD',
  rows: ROWS,
  suppliers: [
    { key: 's1', name: 'Real Lumber' },
    { key: 's2', name: 'Quick Lumber' },
  ],
};

const servers: Server[] = [];
afterEach(async () => {
  for (const server of servers.splice(0)) {
    // A desk that is silent leaves its callers waiting.
    server.closeAllConnections();
    await new Promise((resolve) => server.close(resolve));
  }
});

/** A desk at an address of its own; what it keeps is in a file where one is given. */
async function openDesk(path?: string): Promise<string> {
  const simulator = createSimulator({ delayMs: 1, manners: { 'Quick Lumber': 'usual' } });
  const desk = createDesk(createDeskStore(path), simulator, () => Date.parse('2026-11-28T10:00:00Z'));
  const server = await new Promise<Server>((resolve) => {
    const listening: Server = createApp(tmpdir(), { desk }).listen(0, '127.0.0.1', () => resolve(listening));
  });
  servers.push(server);
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}

const send = (base: string, body: unknown = ASKED): Promise<Response> =>
  fetch(`${base}/api/desk/requests/request:r1`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  });
const tokensOf = async (response: Response): Promise<Readonly<Record<string, string>>> => {
  const { suppliers } = (await response.json()) as { suppliers: { key: string; token: string }[] };
  return Object.fromEntries(suppliers.map(({ key, token }) => [key, token]));
};
async function answersAt(base: string, secret = SECRET): Promise<Readonly<Record<string, Answer | null>>> {
  const response = await fetch(`${base}/api/desk/requests/request:r1/answers`, {
    headers: { Authorization: `Bearer ${secret}` },
  });
  if (response.status !== 200) throw new Error(String(response.status));
  const { suppliers } = (await response.json()) as { suppliers: { key: string; answer: Answer | null }[] };
  return Object.fromEntries(suppliers.map(({ key, answer }) => [key, answer]));
}
const fill = (base: string, token: string, fields: Readonly<Record<string, string>>): Promise<Response> =>
  fetch(`${base}/desk/${token}`, { method: 'POST', body: new URLSearchParams(fields) });

describe('the quote desk', () => {
  it('gives each supplier a page of its own, where prices are typed and come back', async () => {
    const base = await openDesk();
    const { s1 = '' } = await tokensOf(await send(base));
    const page = await (await fetch(`${base}/desk/${s1}`)).text();
    expect(page).toContain('studs');
    expect(page).toContain('Delivered &lt;in two parts&gt;');
    const thanks = await fill(base, s1, {
      price_r1: '1.25',
      unit_r1: 'ft',
      lead_r1: '5',
      valid: '2027-01-31',
      note: 'Fob yard',
    });
    expect(await thanks.text()).toContain('Your price is with Builders.');
    expect((await answersAt(base))['s1']).toMatchObject({
      declined: false,
      validUntil: '2027-01-31',
      note: 'Fob yard',
      rows: [{ key: 'r1', price: '1.25', unit: 'ft', leadDays: '5' }],
    });
    // Opened again, what was sent stands in its fields.
    expect(await (await fetch(`${base}/desk/${s1}`)).text()).toContain('value="1.25"');
  });

  it('says who asks, and asks in nobody’s name where the job has no company', async () => {
    const base = await openDesk();
    const { s1 = '' } = await tokensOf(await send(base));
    expect(await (await fetch(`${base}/desk/${s1}`)).text()).toMatch(/Builders asks .+ for prices in USD\./);
    const other = await openDesk();
    const { s1: unnamed = '' } = await tokensOf(await send(other, { ...ASKED, company: '' }));
    const page = await (await fetch(`${other}/desk/${unnamed}`)).text();
    expect(page).toMatch(/>[^ <].+ is asked for prices in USD\./);
    expect(await (await fill(other, unnamed, { price_r1: '1.25' })).text()).toContain('with whoever asked.');
  });

  it('tells what is no price by the row it is in, and keeps what was typed', async () => {
    const base = await openDesk();
    const { s1 = '' } = await tokensOf(await send(base));
    const refused = await fill(base, s1, { price_r1: 'on request', price_r2: '2.10' });
    expect(refused.status).toBe(422);
    const page = await refused.text();
    expect(page).toContain('The price for studs isn’t a number.');
    expect(page).toContain('value="2.10"');
    expect((await answersAt(base))['s1']).toBeNull();
    expect(await (await fill(base, s1, { decline: 'yes' })).text()).toContain('you don’t offer');
    expect((await answersAt(base))['s1']).toMatchObject({ declined: true, rows: [] });
  });

  it('takes a decimal comma, and refuses one that could group', async () => {
    const base = await openDesk();
    const { s1 = '' } = await tokensOf(await send(base));
    expect((await fill(base, s1, { price_r1: '1,250' })).status).toBe(422);
    expect((await fill(base, s1, { price_r1: '12,50 €' })).status).toBe(200);
    expect((await answersAt(base))['s1']?.rows[0]?.price).toBe('12.50');
  });

  it('asks nothing twice: the same request has the same pages, and keeps its answers', async () => {
    const base = await openDesk();
    const first = await tokensOf(await send(base));
    await fill(base, first['s1'] ?? '', { price_r1: '1.25' });
    const again = await tokensOf(
      await send(base, { ...ASKED, suppliers: [...ASKED.suppliers, { key: 's3', name: 'Third' }] }),
    );
    expect(again).toMatchObject(first);
    expect(again['s3']).toBeTruthy();
    expect((await answersAt(base))['s1']?.rows[0]?.price).toBe('1.25');
  });

  it('shows answers to nobody who does not have the secret, and no request of another', async () => {
    const base = await openDesk();
    await send(base);
    await expect(answersAt(base, 'a-secret-of-someone-else-')).rejects.toThrow('404');
    expect((await send(base, { ...ASKED, secret: 'a-secret-of-someone-else-' })).status).toBe(403);
    expect((await fetch(`${base}/desk/nobody`)).status).toBe(404);
  });

  it('refuses a request that is not complete', async () => {
    const base = await openDesk();
    for (const wrong of [
      {},
      { ...ASKED, rows: [] },
      { ...ASKED, secret: 'short' },
      { ...ASKED, rows: [{ key: '../x' }] },
    ])
      expect((await send(base, wrong)).status).toBe(400);
  });

  it('keeps requests and answers over a restart, and puts a damaged file aside', async () => {
    const path = join(mkdtempSync(join(tmpdir(), 'desk-')), 'requests.json');
    const base = await openDesk(path);
    const { s1 = '' } = await tokensOf(await send(base));
    await fill(base, s1, { price_r1: '1.25' });
    const after = await openDesk(path);
    expect((await answersAt(after))['s1']?.rows[0]?.price).toBe('1.25');
    expect((await fetch(`${after}/desk/${s1}`)).status).toBe(200);
    writeFileSync(path, '[{ broken');
    await openDesk(path);
    expect(readFileSync(`${path}.damaged`, 'utf8')).toBe('[{ broken');
  });

  it('has suppliers that answer by themselves', async () => {
    const base = await openDesk();
    await send(base);
    let answer: Answer | null | undefined;
    for (let tries = 0; tries < 100 && (answer ?? null) === null; tries += 1)
      answer = (await answersAt(base))['s2'];
    expect(answer?.rows).toHaveLength(ROWS.length);
  });

  it('fails when it is told to, until it is told not to', async () => {
    const base = await openDesk();
    const fail = (mode: string): Promise<unknown> =>
      fetch(`${base}/api/desk/failing`, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ mode }),
      });
    await fail('errors');
    expect((await send(base)).status).toBe(500);
    await fail('broken');
    await expect((await send(base)).json()).rejects.toThrow();
    await fail('silent');
    await expect(
      fetch(`${base}/api/desk/requests/request:r1/answers`, { signal: AbortSignal.timeout(100) }),
    ).rejects.toThrow();
    await fail('none');
    expect((await send(base)).status).toBe(200);
  });
});

describe('suppliers that are simulated', () => {
  const request = { ...ASKED, id: 'request:r1', suppliers: [] } as KeptRequest;

  it.each(MANNERS.filter((manner) => manner !== 'silent'))(
    'answers the same every time when it is %s',
    (manner) => {
      expect(answerIn(manner, request, 'Supplier')).toEqual(answerIn(manner, request, 'Supplier'));
    },
  );

  it('leaves rows out, offers something else, or prices by what was not asked, each by its manner', () => {
    expect(answerIn('partly', request, 'S').rows).toHaveLength(2);
    expect(answerIn('substitute', request, 'S').rows[0]?.substitute).not.toBe('');
    expect(answerIn('wrong-unit', request, 'S').rows.map(({ unit }) => unit)).toContain('pallet');
    expect(answerIn('declines', request, 'S').declined).toBe(true);
  });
});
