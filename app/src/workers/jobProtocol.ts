import type { FirstKept, takeJobFile } from '../storage/takeJobFile.ts';

/** Takes over job files beside the page: unpacking, checking and writing a large one takes seconds. */
export interface JobWorker {
  readonly take: (file: Blob, at: FirstKept) => ReturnType<typeof takeJobFile>;
}
