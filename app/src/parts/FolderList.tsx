import { groupBy } from '@zest/core/job/groupBy';
import { ListButton } from './buttons.tsx';
import { layout } from '../theme/layout.ts';
import { styles } from './styles.ts';

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

/** Things in their folders; those in none come first. */
export function FolderList({ label, items, current, nothing, onChoose }: FolderListProps) {
  const folders = [...groupBy(items, ({ folder }) => folder)];
  // Folders stand in the order they come in.
  const sorted = [
    ...folders.filter(([folder]) => folder === ''),
    ...folders.filter(([folder]) => folder !== ''),
  ];
  return (
    <nav className={layout.list} aria-label={label}>
      {sorted.map(([folder, inFolder]) => (
        <div key={folder}>
          {folder === '' ? null : <h2 className={styles.listFolder}>{folder}</h2>}
          {inFolder.map(({ key, name, about }) => (
            <ListButton key={key} aria-current={key === current} onClick={() => onChoose(key)}>
              {name}
              {about === '' ? null : <small>{about}</small>}
            </ListButton>
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
