/** One writer a job: the tab that holds its lock may change it. */
export interface Locks {
  /** Takes the lock if it is free, or from whoever has it; `onLost` tells when another took it. */
  readonly take: (name: string, steal: boolean, onLost: () => void) => Promise<(() => void) | undefined>;
}

export function createBrowserLocks(): Locks {
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
  };
}
