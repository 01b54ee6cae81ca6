import { expose } from 'comlink';
import { readZestjob } from '@zest/core/formats/zestjob/read';
import type { JobWorker } from './jobProtocol.ts';

const worker: JobWorker = {
  read: async (file) => {
    const read = readZestjob(new Uint8Array(await file.arrayBuffer()));
    if (!read.ok) return read;
    const { job, files, snapshots } = read.value;
    return {
      ok: true,
      value: {
        records: Object.values(job).flatMap((table) => [...table.values()]),
        // As blobs the browser may keep them wherever it has room.
        files: [...files].map(([id, bytes]) => [id, new Blob([bytes as BlobPart])] as const),
        snapshots,
      },
    };
  },
};

expose(worker);
