import { Button, Menu, Portal } from '@chakra-ui/react';
import { Plus } from 'lucide-react';
import { DOCUMENT_PRESETS, type DocumentPreset, documentPreset } from '@zest/core/library/documentPresets';
import { FolderList } from '../../parts/FolderList.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { PRESET_NAMES } from './blockWords.ts';
import { styles } from './styles.ts';
import type { DocumentChanges, ListedDocument } from './useDocuments.ts';
import { Versions } from './Versions.tsx';

interface DocumentListProps {
  readonly documents: readonly ListedDocument[];
  readonly current: ListedDocument;
  readonly changes: DocumentChanges;
}

/** The documents of the job, and below them what was sent. */
export function DocumentList({ documents, current, changes }: DocumentListProps) {
  const start = (preset: DocumentPreset): void => {
    const name = PRESET_NAMES[preset];
    const refused = changes.add(t('bid.addDocument', { name }), documentPreset(preset, name));
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <div className={`${layout.stage} ${styles.documentList}`}>
      <div className={layout.bar}>
        <Menu.Root>
          <Menu.Trigger asChild>
            <Button size="sm" variant="outline" style={{ width: '100%' }}>
              <Plus size={14} /> {t('bid.newDocument')}
            </Button>
          </Menu.Trigger>
          <Portal>
            <Menu.Positioner>
              <Menu.Content>
                {DOCUMENT_PRESETS.map((preset) => (
                  <Menu.Item key={preset} value={preset} onSelect={() => start(preset)}>
                    {PRESET_NAMES[preset]}
                  </Menu.Item>
                ))}
              </Menu.Content>
            </Menu.Positioner>
          </Portal>
        </Menu.Root>
      </div>
      <div className={styles.listed}>
        <FolderList
          label={t('bid.documents')}
          items={documents.map(({ key, label }) => ({ key, name: label, folder: '', about: '' }))}
          current={current.key}
          nothing=""
          onChoose={changes.go}
        />
        <Versions />
      </div>
    </div>
  );
}
