import { expose } from 'comlink';
import { readXlsx } from './readPriceFile.ts';

/** Reads the sheets of a workbook beside the page. */
export interface WorkbookWorker {
  readonly read: (file: Blob) => ReturnType<typeof readXlsx>;
}

const worker: WorkbookWorker = { read: async (file) => readXlsx(await file.arrayBuffer()) };

expose(worker);
