/** One writer a job: the tab that holds its lock may change it. */
export interface Locks {
  /** Takes the lock if it is free, or from whoever has it; `onLost` tells when another took it. */
  readonly take: (name: string, steal: boolean, onLost: () => void) => Promise<(() => void) | undefined>;
  /**
   * Asks the tab that holds the lock to write what it still has and to change nothing more. Gives how
   * many changes it could not write; undefined where no tab answers.
   */
  readonly askToSettle: (name: string) => Promise<number | undefined>;
  /** Answers that question for this tab; the function that is given ends it. */
  readonly onAsked: (name: string, settle: () => Promise<number>) => () => void;
}

type Message =
  | { readonly is: 'ask'; readonly name: string; readonly id: string }
  | { readonly is: 'heard'; readonly id: string }
  | { readonly is: 'settled'; readonly id: string; readonly unsaved: number };

/** A tab that is there hears at once; one that is asleep or gone does not. */
const HEARD_MS = 1500;
/** Writing what is left of a large job may take this long. */
const SETTLED_MS = 15_000;

export function createBrowserLocks(): Locks {
  const channel = new BroadcastChannel('zest-locks');
  const post = (message: Message): void => channel.postMessage(message);
  return {
    take: (name, steal, onLost) =>
      new Promise((resolve) => {
        const options: LockOptions = steal ? { steal: true } : { ifAvailable: true };
        navigator.locks
          .request(name, options, (lock) => {
            if (lock === null) {
              resolve(undefined);
              return undefined;
            }
            return new Promise<void>((release) => resolve(() => release()));
          })
          // A stolen lock rejects with AbortError: another tab took over.
          .catch(onLost);
      }),
    askToSettle: (name) =>
      new Promise((resolve) => {
        const id = crypto.randomUUID();
        const end = (unsaved: number | undefined): void => {
          clearTimeout(timer);
          channel.removeEventListener('message', hear);
          resolve(unsaved);
        };
        let timer = setTimeout(() => end(undefined), HEARD_MS);
        const hear = ({ data }: MessageEvent<Message>): void => {
          if (data.id !== id) return;
          if (data.is === 'settled') end(data.unsaved);
          if (data.is !== 'heard') return;
          clearTimeout(timer);
          timer = setTimeout(() => end(undefined), SETTLED_MS);
        };
        channel.addEventListener('message', hear);
        post({ is: 'ask', name, id });
      }),
    onAsked: (name, settle) => {
      const hear = ({ data }: MessageEvent<Message>): void => {
        if (data.is !== 'ask' || data.name !== name) return;
        post({ is: 'heard', id: data.id });
        void settle().then((unsaved) => post({ is: 'settled', id: data.id, unsaved }));
      };
      channel.addEventListener('message', hear);
      return () => channel.removeEventListener('message', hear);
    },
  };
}
