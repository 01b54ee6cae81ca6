import { expose } from 'comlink';
import { openDatabase } from '../storage/database.ts';
import { createJobStorage } from '../storage/jobStorage.ts';
import { takeJobFile } from '../storage/takeJobFile.ts';
import type { JobWorker } from './jobProtocol.ts';

const worker: JobWorker = {
  take: async (file, at) => {
    const database = await openDatabase();
    try {
      return await takeJobFile(createJobStorage(database), file, at);
    } finally {
      database.close();
    }
  },
};

expose(worker);
