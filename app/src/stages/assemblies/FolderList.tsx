import { groupBy } from '@zest/core/job/groupBy';

export interface FolderItem {
  readonly key: string;
  readonly name: string;
  readonly folder: string;
  readonly about: string;
}

interface FolderListProps {
  readonly label: string;
  readonly items: readonly FolderItem[];
  readonly current: string | undefined;
  readonly nothing: string;
  readonly onChoose: (key: string) => void;
}

/** Assemblies in their folders; those in none come first. */
export function FolderList({ label, items, current, nothing, onChoose }: FolderListProps) {
  const folders = [...groupBy(items, ({ folder }) => folder)];
  // Folders stand in the order they come in, which is the order of the trades in the library.
  const sorted = [
    ...folders.filter(([folder]) => folder === ''),
    ...folders.filter(([folder]) => folder !== ''),
  ];
  return (
    <nav className="list" aria-label={label}>
      {sorted.map(([folder, inFolder]) => (
        <div key={folder}>
          {folder === '' ? null : <h2 className="list-folder">{folder}</h2>}
          {inFolder.map(({ key, name, about }) => (
            <button
              key={key}
              type="button"
              className="list-item"
              aria-current={key === current}
              onClick={() => onChoose(key)}
            >
              {name}
              <small>{about}</small>
            </button>
          ))}
        </div>
      ))}
      {items.length === 0 ? (
        <p className="soft" style={{ padding: 14 }}>
          {nothing}
        </p>
      ) : null}
    </nav>
  );
}
