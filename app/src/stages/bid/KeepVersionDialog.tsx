import { useState } from 'react';
import { bidTotal } from '@zest/core/calculate/totals/bidTotal';
import { put } from '@zest/core/job/change';
import { orderAfter, settingsOf } from '@zest/core/job/job';
import type { FileRecord } from '@zest/core/job/records/file';
import type { Version } from '@zest/core/job/records/version';
import { DialogButtons } from '../../parts/DialogButtons.tsx';
import { Labeled } from '../../parts/Labeled.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { TextInput } from '../../parts/fields.tsx';
import { tell } from '../../parts/toaster.tsx';
import { dayOf, isDay } from '../../platform/days.ts';
import { keepSnapshot } from '../../storage/snapshots.ts';
import { useJobActions, useOpenJob, useServices } from '../../stores/context.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import type { ListedDocument } from './useDocuments.ts';

interface KeepVersionDialogProps {
  readonly document: ListedDocument;
  readonly pdf: Blob;
  readonly pages: number;
  readonly onClose: () => void;
}

/** Keeps a document as it goes out: its PDF, and the figures of the moment. */
export function KeepVersionDialog({ document, pdf, pages, onClose }: KeepVersionDialogProps) {
  const { now } = useServices();
  const { job } = useOpenJob();
  const [date, setDate] = useState(settingsOf(job).bidDate || dayOf(now()));
  const [note, setNote] = useState('');
  const [refused, setRefused] = useState<string | undefined>();
  const keepVersion = useKeepVersion();
  const { name } = document.spec;
  const keep = async (): Promise<void> => {
    const day = date.trim();
    if (!isDay(day)) return setRefused(t('bid.dateIsWrong'));
    const problem = await keepVersion(document, { pdf, pages }, day, note.trim());
    if (problem === undefined) onClose();
    else setRefused(problem);
  };
  return (
    <Modal
      title={t('bid.keepVersionOf', { name })}
      onClose={onClose}
      footer={
        <DialogButtons onCancel={onClose} onDone={() => void keep()}>
          {t('bid.keep')}
        </DialogButtons>
      }
    >
      <div className={styles.fields}>
        <p className="soft">{t('bid.keepVersionHow')}</p>
        <Labeled label={t('bid.dateSent')} error={refused}>
          {(control) => (
            <TextInput {...control} value={date} onChange={({ target }) => setDate(target.value)} />
          )}
        </Labeled>
        <Labeled label={t('bid.noteOnIt')}>
          {(control) => (
            <TextInput {...control} value={note} onChange={({ target }) => setNote(target.value)} />
          )}
        </Labeled>
      </div>
    </Modal>
  );
}

type KeepVersion = (
  document: ListedDocument,
  printed: { readonly pdf: Blob; readonly pages: number },
  date: string,
  note: string,
) => Promise<string | undefined>;

/** Keeps the state of the job first, so that the version can name it; then the PDF and the version as one step. */
function useKeepVersion(): KeepVersion {
  const services = useServices();
  const actions = useJobActions();
  const { jobId, job, figures } = useOpenJob();
  return async ({ id, spec: { name } }, { pdf, pages }, date, note) => {
    const earlier = [...job.version.values()].filter((each) => each.name === name);
    const number = Math.max(0, ...earlier.map((each) => each.number)) + 1;
    const total = bidTotal(figures);
    const title = t('bid.versionOf', { name, number });
    const snapshot = await keepSnapshot(services, { jobId, job, name: title, totalMinor: total });
    const file: FileRecord = {
      type: 'file',
      id: services.makeId('file'),
      name: `${title}.pdf`.slice(0, 200),
      mediaType: 'application/pdf',
      byteLength: pdf.size,
      pageCount: pages,
    };
    const version: Version = {
      type: 'version',
      id: services.makeId('version'),
      documentId: id ?? null,
      name,
      number,
      date,
      note,
      total,
      currency: settingsOf(job).currency,
      fileId: file.id,
      snapshot: snapshot ?? '',
      order: orderAfter(job.version.values()),
    };
    const label = t('bid.keepVersionNamed', { name, number });
    const done = actions.transact(label, put(file, version), new Map([[file.id, pdf]]));
    if (!done.ok) return describeProblem(done.problem);
    tell(t('bid.versionKept', { name, number }));
    return undefined;
  };
}
