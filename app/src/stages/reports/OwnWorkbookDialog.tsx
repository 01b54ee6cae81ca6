import { Button } from '@chakra-ui/react';
import { FileSpreadsheet } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import {
  type FillPlan,
  fillTableOf,
  planFill,
  totalName,
  writeFilled,
} from '@zest/core/formats/ownWorkbook/fill';
import { type OwnWorkbook, openOwnWorkbook } from '@zest/core/formats/ownWorkbook/package';
import { LIMITS } from '@zest/core/formats/limits';
import type { OpenReport } from '@zest/core/reports/openReport';
import { openReport } from '@zest/core/reports/openReport';
import { describeOwnWorkbook } from '../../messages/describeReport.ts';
import { listWith } from '../../messages/lists.ts';
import { DialogButtons } from '../../parts/DialogButtons.tsx';
import { FileInput } from '../../parts/FileInput.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { Refusal } from '../../parts/Refusal.tsx';
import { useServices } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';
import { printReport } from './printReport.ts';
import { styles } from './styles.ts';

interface OwnWorkbookDialogProps {
  readonly open: OpenReport;
  readonly onClose: () => void;
}

interface Chosen {
  readonly name: string;
  readonly book?: OwnWorkbook;
  readonly plan?: FillPlan;
  readonly problem?: string;
}

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

/** What rows are told by: what the report is grouped by first, else its first column. */
const keyOf = ({ spec }: OpenReport): string => spec.groups[0]?.column ?? spec.columns[0]?.key ?? '';

/** The report by its outermost group alone, so that each key has one row; the key shows. */
function printedByKey(open: OpenReport): ReturnType<typeof printReport> {
  const key = keyOf(open);
  const { spec, context } = open;
  const columns = spec.columns.map((column) => {
    const { hidden, ...shown } = column;
    return column.key === key || hidden === undefined ? shown : column;
  });
  return printReport(openReport({ ...spec, columns, groups: spec.groups.slice(0, 1) }, context));
}

/** Puts the figures of a report into a workbook of the person's, at the cells that are named for them. */
export function OwnWorkbookDialog({ open, onClose }: OwnWorkbookDialogProps) {
  const { download } = useServices();
  const input = useRef<HTMLInputElement>(null);
  const [chosen, setChosen] = useState<Chosen | undefined>();
  const key = keyOf(open);
  const table = useMemo(() => fillTableOf(printedByKey(open), key), [open, key]);
  const [firstColumn = 'cost'] = table.columns.filter((column) => table.totals.has(column));
  const read = async (file: File): Promise<void> => setChosen(await planOf(file, table));
  const save = (): void => {
    if (chosen?.book === undefined || chosen.plan === undefined) return;
    const bytes = writeFilled(chosen.book, chosen.plan);
    download(chosen.name, new Blob([bytes as BlobPart], { type: XLSX }));
    onClose();
  };
  return (
    <Modal
      title={t('report.ownWorkbook', { name: open.spec.name })}
      size="lg"
      onClose={onClose}
      footer={
        <DialogButtons onCancel={onClose} onDone={save} disabled={chosen?.plan === undefined}>
          {t('report.saveFilledCopy')}
        </DialogButtons>
      }
    >
      <p>{t('report.ownWorkbookHow', { key, total: totalName(firstColumn) })}</p>
      <p className="soft">{t('report.namesToUse', { names: [key, ...table.columns].join(', ') })}</p>
      <div className={styles.adding}>
        <Button size="sm" variant="outline" onClick={() => input.current?.click()}>
          <FileSpreadsheet size={14} /> {t('report.chooseAWorkbook')}
        </Button>
        <span>{chosen?.name}</span>
      </div>
      <FileInput
        ref={input}
        target="own-workbook"
        label={t('report.workbookToFill')}
        onFile={(file) => void read(file)}
      />
      <Refusal>{chosen?.problem}</Refusal>
      {chosen?.plan === undefined ? null : <PlanWords plan={chosen.plan} />}
    </Modal>
  );
}

async function planOf(file: File, table: ReturnType<typeof fillTableOf>): Promise<Chosen> {
  const { name, size } = file;
  const refused = (problem: Parameters<typeof describeOwnWorkbook>[1]): Chosen => ({
    name,
    problem: describeOwnWorkbook(name, problem),
  });
  const limit = LIMITS.ownWorkbook.bytes;
  if (size > limit) return refused({ kind: 'own-workbook-too-large', limit });
  const book = openOwnWorkbook(new Uint8Array(await file.arrayBuffer()));
  if (!book.ok) return refused(book.problem);
  const plan = planFill(book.value, table);
  return plan.ok ? { name, book: book.value, plan: plan.value } : refused(plan.problem);
}

const SHOWN = 8;

/** A few of many, and how many more. */
const fewOf = (rows: readonly string[]): string =>
  listWith('and', [
    ...rows.slice(0, SHOWN),
    ...(rows.length > SHOWN ? [t('count.more', { count: rows.length - SHOWN })] : []),
  ]);

function PlanWords({ plan }: { readonly plan: FillPlan }) {
  const { cells, filled, unplaced, unmatched } = plan;
  return (
    <div role="status">
      <p>
        {t('report.cellsFilled', {
          cells: t('count.cell', { count: cells }),
          names: listWith('and', filled),
        })}
      </p>
      {unplaced.length === 0 ? null : (
        <p className="warn">{t('report.notInWorkbook', { rows: fewOf(unplaced) })}</p>
      )}
      {unmatched.length === 0 ? null : <p>{t('report.notInReport', { rows: fewOf(unmatched) })}</p>}
      <p className="soft">{t('report.recalculates')}</p>
    </div>
  );
}
