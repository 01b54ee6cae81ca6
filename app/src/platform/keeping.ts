/** What the browser says of how it keeps the jobs. */
export interface Keeping {
  /** Whether it has promised not to clear them by itself; undefined where it cannot say. */
  readonly isPersistent: () => Promise<boolean | undefined>;
  /** Asks for that promise; the browser decides, some by asking the person. */
  readonly askToPersist: () => Promise<boolean>;
  readonly room: () => Promise<{ readonly usedBytes: number; readonly freeBytes: number } | undefined>;
}

export function createBrowserKeeping(storage: StorageManager | undefined = navigator.storage): Keeping {
  return {
    isPersistent: async () => storage?.persisted(),
    askToPersist: async () => (await storage?.persist()) ?? false,
    room: async () => {
      const { usage, quota } = (await storage?.estimate()) ?? {};
      return usage === undefined || quota === undefined
        ? undefined
        : { usedBytes: usage, freeBytes: Math.max(0, quota - usage) };
    },
  };
}
