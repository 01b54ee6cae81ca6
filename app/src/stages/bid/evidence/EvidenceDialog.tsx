import { useMemo, useState } from 'react';
import { settingsOf, inOrder } from '@zest/core/job/job';
import type { LineKey } from '@zest/core/job/lineKey';
import { countsInBid, listShownRows, nameOfRow } from '@zest/core/reports/estimateReport';
import { type EvidenceChoice, gatherEvidence } from '@zest/core/reports/evidence';
import { isPriced } from '@zest/core/estimate/rows';
import { Checkbox } from '../../../parts/Checkbox.tsx';
import { DialogButtons } from '../../../parts/DialogButtons.tsx';
import { Modal } from '../../../parts/Modal.tsx';
import { Progress } from '../../../parts/Progress.tsx';
import { Segments } from '../../../parts/Segments.tsx';
import { TextButton } from '../../../parts/buttons.tsx';
import { TextInput } from '../../../parts/fields.tsx';
import { dayOf } from '../../../platform/days.ts';
import { fileName } from '../../../storage/jobFiles.ts';
import { useFormats, useOpenJob, useServices } from '../../../stores/context.tsx';
import { t } from '../../../messages/t.ts';
import { useWriting } from '../../reports/useWriter.ts';
import { styles } from '../styles.ts';
import { drawEvidence } from './drawEvidence.ts';
import { printEvidence } from './printEvidence.ts';

type Of = EvidenceChoice['of'];

/** For which lines the book is made, and how far it is. */
export function EvidenceDialog({ onClose }: { readonly onClose: () => void }) {
  const [of, setOf] = useState<Of>('all');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [refused, setRefused] = useState('');
  const book = useBook();
  const choose = (next: Of): void => {
    setOf(next);
    setChosen(new Set());
    setRefused('');
  };
  const make = async (): Promise<void> => {
    if (of !== 'all' && chosen.size === 0) return setRefused(t('bid.chooseSome'));
    if (await book.make(choiceOf(of, chosen))) onClose();
  };
  // Whoever leaves gets no file later.
  const leave = (): void => {
    book.stop();
    onClose();
  };
  const isBusy = book.progress !== undefined;
  return (
    <Modal
      title={t('bid.evidenceBook')}
      size="lg"
      onClose={leave}
      footer={
        <DialogButtons onCancel={leave} onDone={() => void make()} disabled={isBusy}>
          {t('bid.makeBook')}
        </DialogButtons>
      }
    >
      <div className={styles.fields}>
        <p className="soft">{t('bid.evidenceWhat')}</p>
        <Segments
          label={t('bid.evidenceOf')}
          value={of}
          options={[
            ['all', t('bid.ofWholeBid')],
            ['sections', t('bid.ofSections')],
            ['lines', t('bid.ofLines')],
          ]}
          onChoose={choose}
        />
        {of === 'all' ? null : <Choices key={of} of={of} chosen={chosen} onChoose={setChosen} />}
        {refused === '' ? null : <p role="alert">{refused}</p>}
        {book.progress === undefined ? null : (
          <div role="status" style={{ display: 'grid', gap: 6 }}>
            <span>{book.progress.words}</span>
            <Progress
              label={book.progress.words}
              done={book.progress.done}
              total={Math.max(1, book.progress.of)}
            />
            <TextButton onClick={book.stop}>{t('bid.stop')}</TextButton>
          </div>
        )}
      </div>
    </Modal>
  );
}

function choiceOf(of: Of, chosen: ReadonlySet<string>): EvidenceChoice {
  if (of === 'sections') return { of, ids: chosen };
  return of === 'lines' ? { of, keys: chosen as ReadonlySet<LineKey> } : { of };
}

interface ChoicesProps {
  readonly of: Exclude<Of, 'all'>;
  readonly chosen: ReadonlySet<string>;
  readonly onChoose: (chosen: ReadonlySet<string>) => void;
}

/** The sections or the lines of the bid, to be ticked. */
function Choices({ of, chosen, onChoose }: ChoicesProps) {
  const { job, figures } = useOpenJob();
  const [text, setText] = useState('');
  const all = useMemo(
    () =>
      of === 'sections'
        ? inOrder(job.section.values()).map(({ id, code, name }) => ({ id, name: `${code} ${name}`.trim() }))
        : listShownRows(figures).flatMap((row) =>
            isPriced(row) && countsInBid(figures, row) ? [{ id: row.key, name: nameOfRow(job, row) }] : [],
          ),
    [of, job, figures],
  );
  const wanted = text.trim().toLowerCase();
  const shown = all.filter(({ name }) => name.toLowerCase().includes(wanted));
  const toggle = (id: string, on: boolean): void =>
    onChoose(new Set(on ? [...chosen, id] : [...chosen].filter((each) => each !== id)));
  return (
    <>
      {of === 'sections' ? null : (
        <TextInput
          aria-label={t('bid.searchLines')}
          placeholder={t('bid.searchLines')}
          value={text}
          onChange={({ target }) => setText(target.value)}
        />
      )}
      <div className={styles.choices} role="group" aria-label={t('bid.evidenceOf')}>
        {shown.map(({ id, name }) => (
          <Checkbox key={id} checked={chosen.has(id)} onChange={(on) => toggle(id, on)}>
            {name}
          </Checkbox>
        ))}
      </div>
    </>
  );
}

interface BookProgress {
  readonly words: string;
  readonly done: number;
  readonly of: number;
}

/** Gathers, draws and writes the book; each can be stopped. */
function useBook() {
  const { jobId, job, figures } = useOpenJob();
  const formats = useFormats();
  const services = useServices();
  const { writing, run, stop: stopWriting } = useWriting();
  const [drawing, setDrawing] = useState<BookProgress | undefined>();
  const [drawn, setDrawn] = useState<AbortController | undefined>();
  /** Whether there is a book now. */
  const make = async (choice: EvidenceChoice): Promise<boolean> => {
    const controller = new AbortController();
    setDrawn(controller);
    const today = dayOf(services.now());
    const evidence = gatherEvidence(figures, choice, formats.display, today);
    const lines = t('count.line', { count: evidence.lines.length });
    const about = choice.of === 'all' ? t('bid.forTheWholeBid', { lines }) : t('bid.forPart', { lines });
    const tell = (done: number, of: number): void =>
      setDrawing({ words: t('bid.drawingSheets', { done, of }), done, of });
    try {
      tell(
        0,
        evidence.scopes.reduce((sum, { parts }) => sum + parts.length, 0),
      );
      const pictures = await drawEvidence(services, jobId, figures, evidence, tell, controller.signal);
      const printed = printEvidence({ evidence, figures, formats, today, about, pictures });
      setDrawing(undefined);
      const blob = await run('pdf', (remote, onWritten) => remote.writeDocument(printed, 'pdf', onWritten));
      if (blob === undefined) return false;
      services.download(fileName(settingsOf(job).name, '-evidence.pdf'), blob);
      return true;
    } catch (error) {
      if (controller.signal.aborted) return false;
      throw error;
    } finally {
      setDrawing(undefined);
    }
  };
  const stop = (): void => {
    drawn?.abort();
    stopWriting();
  };
  const progress: BookProgress | undefined =
    drawing ??
    (writing === undefined
      ? undefined
      : { words: t('bid.writing', { file: 'PDF' }), done: writing.done, of: writing.of });
  return { make, stop, progress };
}
