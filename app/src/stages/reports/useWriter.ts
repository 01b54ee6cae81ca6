import { type Remote, proxy } from 'comlink';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { BUDGETS_MS } from '@zest/core/formats/limits';
import type { OpenReport } from '@zest/core/reports/openReport';
import { describeProblem } from '../../messages/describeProblem.ts';
import { tellProblem } from '../../parts/toaster.tsx';
import { type GuardedWorker, WorkerEnded, createGuardedWorker } from '../../platform/guardedWorker.ts';
import { fileName } from '../../storage/jobFiles.ts';
import { useServices } from '../../stores/context.tsx';
import type { DocumentFile, OnWritten, ReportFile, ReportWorker } from '../../workers/reportProtocol.ts';
import { printReport } from './printReport.ts';

export type ReportWriter = GuardedWorker<ReportWorker>;

/** The worker that writes reports, for as long as the page is there. */
export function useReportWorker(): ReportWriter {
  const worker = useMemo(
    () =>
      createGuardedWorker<ReportWorker>(
        () => new Worker(new URL('../../workers/report.worker.ts', import.meta.url), { type: 'module' }),
      ),
    [],
  );
  useEffect(() => () => worker.end(), [worker]);
  return worker;
}

/** A file that is being written. */
export interface Writing {
  readonly as: ReportFile | DocumentFile;
  readonly done: number;
  readonly of: number;
}

type Ask = (remote: Remote<ReportWorker>, onWritten: OnWritten) => Promise<Blob>;

/** Has something written beside the page; long work shows how far it is, and is stopped when asked. */
export function useWriting() {
  const worker = useReportWorker();
  const [writing, setWriting] = useState<Writing | undefined>();
  const stop = useRef<AbortController | undefined>(undefined);
  const run = useCallback(
    async (as: ReportFile | DocumentFile, ask: Ask): Promise<Blob | undefined> => {
      const controller = new AbortController();
      stop.current = controller;
      setWriting({ as, done: 0, of: 1 });
      try {
        const onWritten = proxy((done: number, of: number) => setWriting({ as, done, of }));
        return await worker.ask((remote) => ask(remote, onWritten), BUDGETS_MS.report, controller.signal);
      } catch (error) {
        const why = error instanceof WorkerEnded ? error.reason : 'died';
        if (why !== 'canceled') tellProblem(describeProblem({ kind: 'writing-ended', why }));
        return undefined;
      } finally {
        setWriting(undefined);
      }
    },
    [worker],
  );
  return { writing, run, stop: () => stop.current?.abort(), worker };
}

/** Writes a report as a file of the person's. */
export function useWriter(getOpen: () => OpenReport) {
  const { run, ...rest } = useWriting();
  const { download } = useServices();
  const write = useCallback(
    (as: ReportFile) => run(as, (remote, onWritten) => remote.write(printReport(getOpen()), as, onWritten)),
    [getOpen, run],
  );
  const save = async (as: ReportFile): Promise<void> => {
    const blob = await write(as);
    if (blob !== undefined) download(fileName(getOpen().spec.name, `.${as}`), blob);
  };
  return { ...rest, write, save };
}
