/** A folder of the person's that copies of jobs are written to. */
export interface CopyFolder {
  readonly name: string;
  /** Whether it may be written to; with `ask`, the person is asked, which only a click may do. */
  readonly mayWrite: (ask: boolean) => Promise<boolean>;
  /** Names of the files in it. */
  readonly list: () => Promise<readonly string[]>;
  /** Writes a file whole or not at all. */
  readonly write: (name: string, content: Blob) => Promise<void>;
  readonly remove: (name: string) => Promise<void>;
}

/** How a folder is chosen and found again; `handle` is what the browser keeps of it. */
export interface CopyFolders {
  /** False in browsers that let no page write to a folder. */
  readonly supported: boolean;
  /** Asks for a folder; undefined where the person would rather not. */
  readonly choose: () => Promise<unknown>;
  /** The folder behind a handle that was kept; undefined for anything else. */
  readonly open: (handle: unknown) => CopyFolder | undefined;
}

/** The part of the File System Access API that TypeScript's own types leave out. */
interface Asking {
  readonly queryPermission?: (of: { readonly mode: 'readwrite' }) => Promise<PermissionState>;
  readonly requestPermission?: (of: { readonly mode: 'readwrite' }) => Promise<PermissionState>;
}
type Picker = (options: {
  readonly mode: 'readwrite';
  readonly id: string;
}) => Promise<FileSystemDirectoryHandle>;

const WRITE = { mode: 'readwrite' } as const;

const openFolder = (handle: FileSystemDirectoryHandle & Asking): CopyFolder => ({
  name: handle.name,
  mayWrite: async (ask) => {
    const state = await handle.queryPermission?.(WRITE);
    if (state === undefined || state === 'granted' || !ask) return state !== 'prompt' && state !== 'denied';
    return (await handle.requestPermission?.(WRITE)) === 'granted';
  },
  list: async () => {
    const names: string[] = [];
    for await (const entry of handle.values()) if (entry.kind === 'file') names.push(entry.name);
    return names;
  },
  write: async (name, content) => {
    const file = await handle.getFileHandle(name, { create: true });
    // What is written lies beside the file, and takes its place when it is closed.
    const stream = await file.createWritable();
    try {
      await stream.write(content);
      await stream.close();
    } catch (error) {
      await stream.abort().catch(() => undefined);
      await handle.removeEntry(name).catch(() => undefined);
      throw error;
    }
  },
  remove: (name) => handle.removeEntry(name),
});

export function createBrowserCopyFolders(): CopyFolders {
  const picker = (globalThis as { showDirectoryPicker?: Picker }).showDirectoryPicker;
  return {
    supported: picker !== undefined,
    choose: async () => {
      try {
        return await picker?.({ ...WRITE, id: 'job-copies' });
      } catch (error) {
        if (error instanceof DOMException && error.name === 'AbortError') return undefined;
        throw error;
      }
    },
    open: (handle) =>
      typeof FileSystemDirectoryHandle === 'function' && handle instanceof FileSystemDirectoryHandle
        ? openFolder(handle)
        : undefined,
  };
}
