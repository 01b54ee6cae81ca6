import { expose } from 'comlink';
import { readPrices } from '@zest/core/formats/prices/read';
import { accept, refuse } from '@zest/core/problem/result';
import { type PriceSheet, readPriceBytes } from './readPriceFile.ts';
import type { PriceWorker } from './pricesProtocol.ts';
import { LIMITS } from '@zest/core/formats/limits';

const SHOWN_ROWS = 30;
let sheets: readonly PriceSheet[] = [];

const worker: PriceWorker = {
  open: async (file, onProgress) => {
    if (file.size > LIMITS.prices.bytes)
      return refuse({ kind: 'price-file-large', limit: LIMITS.prices.bytes });
    const read = await readPriceBytes(
      await file.arrayBuffer(),
      (rows, share) => void onProgress(rows, share),
    );
    if (!read.ok) return read;
    sheets = read.value;
    return accept(
      sheets.map(({ name, rows }) => ({
        name,
        first: rows.slice(0, SHOWN_ROWS),
        rows: rows.length,
        columns: rows.slice(0, SHOWN_ROWS).reduce((most, row) => Math.max(most, row.length), 0),
      })),
    );
  },
  rows: async (file) => {
    if (file.size > LIMITS.prices.bytes)
      return refuse({ kind: 'price-file-large', limit: LIMITS.prices.bytes });
    const read = await readPriceBytes(await file.arrayBuffer(), () => undefined);
    return read.ok ? accept(read.value[0]?.rows ?? []) : read;
  },
  read: ({ sheet, ...asked }) => {
    const { rows = [], brokenRows = new Set<number>() } = sheets[sheet] ?? {};
    return Promise.resolve(readPrices({ ...asked, rows, brokenRows }));
  },
};

expose(worker);
