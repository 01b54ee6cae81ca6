import { useId, useState } from 'react';
import { DialogButtons } from '../../parts/DialogButtons.tsx';
import { LabeledText } from '../../parts/LabeledText.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { t } from '../../messages/t.ts';
import { type ChangeSpec, type ListedReport, useListedReports } from './useReports.ts';

interface FolderDialogProps {
  readonly report: ListedReport;
  readonly change: ChangeSpec;
  readonly onClose: () => void;
}

/** Where a report of the job is listed: a folder there is, or a new one. */
export function FolderDialog({ report, change, onClose }: FolderDialogProps) {
  const { name, folder } = report.spec;
  const [text, setText] = useState(folder);
  const [error, setError] = useState<string | undefined>();
  const folders = [...new Set(useListedReports().map(({ spec }) => spec.folder))].filter(Boolean);
  const listId = useId();
  const move = (): void => {
    const refused = change(t('report.moveToFolder', { name }), (spec) => ({ ...spec, folder: text.trim() }));
    if (refused === undefined) onClose();
    else setError(refused);
  };
  return (
    <Modal
      title={t('report.folderOf', { name })}
      size="sm"
      onClose={onClose}
      footer={
        <DialogButtons onCancel={onClose} onDone={move}>
          {t('report.move')}
        </DialogButtons>
      }
    >
      <LabeledText
        label={t('report.folder')}
        hint={t('report.folderHint')}
        error={error}
        list={listId}
        value={text}
        onText={setText}
        onKeyDown={({ key }) => {
          if (key === 'Enter') move();
        }}
      />
      <datalist id={listId}>
        {folders.map((each) => (
          <option key={each} value={each} />
        ))}
      </datalist>
    </Modal>
  );
}
