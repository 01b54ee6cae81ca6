import type { Diff } from '@zest/core/job/job';

/** What the tab that writes a job tells the tabs that only read it. */
export interface JobNews {
  /** Tells of a change that lies on the disk. */
  readonly tell: (jobId: string, diff: Diff) => void;
  /** Hears of changes of a job; the function that is given ends it. */
  readonly hear: (jobId: string, heard: (diff: Diff) => void) => () => void;
}

interface Message {
  readonly jobId: string;
  readonly diff: Diff;
}

export function createBrowserNews(): JobNews {
  const channel = new BroadcastChannel('zest-news');
  return {
    tell: (jobId, diff) => channel.postMessage({ jobId, diff } satisfies Message),
    hear: (jobId, heard) => {
      const listen = ({ data }: MessageEvent<Message>): void => {
        if (data.jobId === jobId) heard(data.diff);
      };
      channel.addEventListener('message', listen);
      return () => channel.removeEventListener('message', listen);
    },
  };
}
