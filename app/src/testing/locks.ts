import type { JobNews } from '../platform/jobNews.ts';
import type { Locks } from '../platform/locks.ts';

/** Locks of a browser with one tab. */
export const freeLocks: Locks = {
  take: async () => () => undefined,
  askToSettle: async () => undefined,
  onAsked: () => () => undefined,
};

/** News of a browser with one tab. */
export const noNews: JobNews = { tell: () => undefined, hear: () => () => undefined };
