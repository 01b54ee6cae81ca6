import { Button } from '@chakra-ui/react';
import { useEffect, useMemo, useState } from 'react';
import { Calculation } from '@zest/core/calculate/calculation';
import { put } from '@zest/core/job/change';
import type { Id } from '@zest/core/job/id';
import { type CopiedRow, copyRows } from '@zest/core/library/copyRows';
import { plainWords } from '@zest/core/pricing/bookSearch';
import { formatMoney } from '@zest/core/pricing/money';
import { listShownRows, reportLine } from '@zest/core/reports/estimateReport';
import { Modal } from '../../components/Modal.tsx';
import { tell } from '../../components/toaster.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { writeQuantity } from '../../components/writeQuantity.ts';
import { plural } from '../../messages/words.ts';
import type { JobSummary } from '../../storage/database.ts';
import { formatsOf, useOpenJob, useServices } from '../../stores/context.tsx';
import { settingsOf } from '@zest/core/job/job';

interface CopyDialogProps {
  readonly sectionId: Id<'section'> | null;
  readonly onClose: () => void;
}

interface Source {
  readonly calculation: Calculation;
  readonly rows: readonly CopiedRow[];
}

/** Lines of another job, with the assemblies and prices they stand on. Their quantities come unconfirmed. */
export function CopyDialog({ sectionId, onClose }: CopyDialogProps) {
  const { job, jobId } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const [jobs, setJobs] = useState<readonly JobSummary[] | undefined>();
  const [from, setFrom] = useState('');
  const [source, setSource] = useState<Source | 'reading' | undefined>();
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [error, setError] = useState<string | undefined>();
  useEffect(() => {
    void services.storage.listJobs().then((all) => {
      const others = all.filter(({ id, deletedAt }) => id !== jobId && deletedAt === null);
      setJobs(others.sort((a, b) => b.changedAt - a.changedAt));
    });
  }, [services, jobId]);
  const read = async (id: string): Promise<void> => {
    setFrom(id);
    setChosen(new Set());
    setSource('reading');
    const other = id === '' ? undefined : await services.storage.loadJob(id);
    if (other === undefined) return setSource(undefined);
    const calculation = new Calculation(other);
    const rows = listShownRows(calculation).filter(
      (row): row is CopiedRow => row.type === 'line' || row.type === 'scope',
    );
    setSource({ calculation, rows });
  };
  const ready = source === undefined || source === 'reading' ? undefined : source;
  const shown = useMemo(() => (ready === undefined ? [] : findRows(ready, text)), [ready, text]);
  const copy = (): void => {
    if (ready === undefined) return;
    const rows = ready.rows.filter(({ key }) => chosen.has(key));
    const records = copyRows(ready.calculation, rows, job, sectionId, services.makeId);
    const refused = settle(`copy ${plural(rows.length, 'line')} from another job`, put(...records));
    if (refused !== undefined) return setError(refused);
    tell(
      `${plural(rows.length, 'line')} came along. The quantities are unconfirmed until you bind or confirm them.`,
    );
    onClose();
  };
  return (
    <Modal
      title="Copy from another job"
      size="xl"
      onClose={onClose}
      footer={
        <>
          <span className="soft" style={{ marginRight: 'auto' }}>
            Quantities arrive unconfirmed.
          </span>
          <Button size="sm" variant="outline" onClick={onClose}>
            Cancel
          </Button>
          <Button size="sm" disabled={chosen.size === 0} onClick={copy}>
            Copy {chosen.size === 0 ? '' : plural(chosen.size, 'line')}
          </Button>
        </>
      }
    >
      <div className="form">
        <div className="form-two">
          <label>
            <span className="soft">Job</span>
            <select className="input" value={from} onChange={(event) => void read(event.target.value)}>
              <option value="">Choose a job</option>
              {jobs?.map(({ id, name, template }) => (
                <option key={id} value={id}>
                  {template === undefined ? name : `${name} (template)`}
                </option>
              ))}
            </select>
          </label>
          <label>
            <span className="soft">Search its lines</span>
            <input
              className="input"
              value={text}
              disabled={ready === undefined}
              onChange={(event) => setText(event.target.value)}
            />
          </label>
        </div>
        {error === undefined ? null : (
          <p className="field-error" role="alert">
            {error}
          </p>
        )}
        {jobs?.length === 0 ? <p className="soft">There is no other job yet.</p> : null}
        {source === 'reading' ? <p role="status">Reading the job…</p> : null}
        {ready === undefined ? null : (
          <div className="copy-list" role="group" aria-label="Lines of the other job">
            {shown.map((row) => (
              <CopyRow
                key={row.key}
                row={row}
                source={ready}
                checked={chosen.has(row.key)}
                onToggle={() => {
                  const next = new Set(chosen);
                  if (!next.delete(row.key)) next.add(row.key);
                  setChosen(next);
                }}
              />
            ))}
            {shown.length === 0 ? <p className="soft">No line has these words.</p> : null}
          </div>
        )}
      </div>
    </Modal>
  );
}

function findRows({ calculation, rows }: Source, text: string): readonly CopiedRow[] {
  const words = plainWords(text);
  if (words.length === 0) return rows;
  return rows.filter((row) => {
    const line = reportLine(calculation, row);
    const said = ` ${plainWords(`${line.code} ${line.description}`).join(' ')}`;
    return words.every((word) => said.includes(` ${word}`));
  });
}

interface CopyRowProps {
  readonly row: CopiedRow;
  readonly source: Source;
  readonly checked: boolean;
  readonly onToggle: () => void;
}

function CopyRow({ row, source: { calculation }, checked, onToggle }: CopyRowProps) {
  const { money, numbers } = formatsOf(settingsOf(calculation.job));
  const line = reportLine(calculation, row);
  const quantity =
    line.quantity === undefined ? '' : `${writeQuantity(line.quantity, line.unit, numbers)} ${line.unit}`;
  return (
    <label className="copy-row">
      <input type="checkbox" checked={checked} onChange={onToggle} />
      <span className="soft">{line.code}</span>
      <span className="cut">{line.description}</span>
      <span className="soft">{row.type === 'scope' ? 'with its assemblies' : quantity}</span>
      <span className="right">{line.extension === undefined ? '' : formatMoney(line.extension, money)}</span>
    </label>
  );
}
