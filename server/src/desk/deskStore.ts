import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import type { KeptRequest } from './asked.ts';

/** What was asked and answered, kept over a restart. */
export interface DeskStore {
  readonly find: (id: string) => KeptRequest | undefined;
  readonly byToken: (token: string) => KeptRequest | undefined;
  readonly put: (request: KeptRequest) => void;
  readonly all: () => readonly KeptRequest[];
}

/** In a file of its own; without a path only in memory. A file that is damaged is put aside, never written over. */
export function createDeskStore(path?: string): DeskStore {
  const requests = new Map<string, KeptRequest>();
  if (path !== undefined && existsSync(path)) {
    try {
      for (const request of JSON.parse(readFileSync(path, 'utf8')) as readonly KeptRequest[])
        requests.set(request.id, request);
    } catch {
      renameSync(path, `${path}.damaged`);
    }
  }
  const write = (): void => {
    if (path === undefined) return;
    mkdirSync(dirname(path), { recursive: true });
    // Written beside and put in its place at once: a crash leaves the old one.
    writeFileSync(`${path}.new`, JSON.stringify([...requests.values()]));
    renameSync(`${path}.new`, path);
  };
  return {
    find: (id) => requests.get(id),
    byToken: (token) =>
      [...requests.values()].find(({ suppliers }) => suppliers.some((each) => each.token === token)),
    put: (request) => {
      requests.set(request.id, request);
      write();
    },
    all: () => [...requests.values()],
  };
}
