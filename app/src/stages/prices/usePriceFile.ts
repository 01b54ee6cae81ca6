import { proxy } from 'comlink';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { BUDGETS_MS } from '@zest/core/formats/limits';
import { type PriceMapping, findHeadRow, guessMapping } from '@zest/core/formats/prices/columns';
import type { ReadPrices } from '@zest/core/formats/prices/read';
import { describePriceFile } from '../../messages/describePrices.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { t } from '../../messages/t.ts';
import { type GuardedWorker, WorkerEnded, createGuardedWorker } from '../../platform/guardedWorker.ts';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import type { PriceWorker, SheetHead } from '../../workers/pricesProtocol.ts';

export interface Opened {
  readonly name: string;
  readonly sheets: readonly SheetHead[];
}

/** A file that was opened, how its columns are read, and what its rows come to. */
export function usePriceFile() {
  const { job } = useOpenJob();
  const { numbers } = useFormats();
  const worker = usePriceWorker();
  const [opened, setOpened] = useState<Opened | undefined>();
  const [progress, setProgress] = useState<string | undefined>();
  const [error, setError] = useState<string | undefined>();
  const [columns, setColumns] = useState<Columns>(NO_COLUMNS);
  const [read, setRead] = useState<ReadPrices | undefined>();
  /** The rows went with the worker: nothing is shown of them, and why is said. */
  const onEnded = useCallback((ended: unknown): void => {
    if (!(ended instanceof WorkerEnded)) throw ended;
    setOpened(undefined);
    if (ended.reason !== 'canceled') setError(describeProblem({ kind: 'reading-ended', why: ended.reason }));
  }, []);
  // Whatever is said of the columns, the rows are read anew beside the page.
  useEffect(() => {
    if (opened === undefined || columns.mapping.code === undefined) return setRead(undefined);
    let current = true;
    const workers = { crafts: [...job.craft.values()], crews: [...job.crew.values()] };
    void worker
      .ask((remote) => remote.read({ ...columns, numbers, ...workers }), BUDGETS_MS.prices)
      .then((result) => {
        if (current) setRead(result);
      }, onEnded);
    return () => {
      current = false;
    };
  }, [opened, columns, numbers, job.craft, job.crew, worker, onEnded]);
  const open = async (file: File | undefined): Promise<void> => {
    if (file === undefined) return;
    setError(undefined);
    setOpened(undefined);
    try {
      const got = await openFile(worker, file, setProgress);
      if (!got.ok) return setError(describePriceFile(got.problem, file.name));
      setOpened({ name: file.name, sheets: got.value });
      setColumns(columnsOf(got.value, 0));
    } catch (ended) {
      onEnded(ended);
    } finally {
      setProgress(undefined);
    }
  };
  const close = (): void => setOpened(undefined);
  return { opened, close, open, stop: worker.end, progress, error, setError, columns, setColumns, read };
}

export type PriceFile = ReturnType<typeof usePriceFile>;

/** How the file is read: which sheet, which row has the headings, and what each column is. */
interface Columns {
  readonly sheet: number;
  readonly headRow: number;
  readonly mapping: PriceMapping;
}

const NO_COLUMNS: Columns = { sheet: 0, headRow: 0, mapping: {} };

/** The columns of a sheet as they seem to be meant. */
export function columnsOf(sheets: readonly SheetHead[], sheet: number, headRow?: number): Columns {
  const first = sheets[sheet]?.first ?? [];
  const at = headRow ?? findHeadRow(first);
  return { sheet, headRow: at, mapping: guessMapping(first[at] ?? []) };
}

/** Opens a file in the worker, and says how far it is. */
async function openFile(
  worker: GuardedWorker<PriceWorker>,
  file: File,
  setProgress: (words: string) => void,
): Promise<Awaited<ReturnType<PriceWorker['open']>>> {
  setProgress(t('prices.reading', { name: file.name }));
  let current = true;
  // What was said before it was stopped may still arrive.
  const say = (rows: number, share: number): void => {
    if (current)
      setProgress(t('prices.readingRows', { name: file.name, rows, number: Math.round(share * 100) }));
  };
  try {
    return await worker.ask(
      (remote) => remote.open(file, proxy(say)) as ReturnType<PriceWorker['open']>,
      BUDGETS_MS.prices,
    );
  } finally {
    current = false;
  }
}

/** One worker for the dialog; stopping ends it, and the next file gets a new one. */
export function usePriceWorker(): GuardedWorker<PriceWorker> {
  const worker = useMemo(
    () =>
      createGuardedWorker<PriceWorker>(
        () => new Worker(new URL('../../workers/prices.worker.ts', import.meta.url), { type: 'module' }),
      ),
    [],
  );
  useEffect(() => worker.end, [worker]);
  return worker;
}
