import { proxy } from 'comlink';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { BUDGETS_MS } from '@zest/core/formats/limits';
import type { OpenReport } from '@zest/core/reports/openReport';
import { describeProblem } from '../../messages/describeProblem.ts';
import { tellProblem } from '../../parts/toaster.tsx';
import { type GuardedWorker, WorkerEnded, createGuardedWorker } from '../../platform/guardedWorker.ts';
import { fileName } from '../../storage/jobFiles.ts';
import { useServices } from '../../stores/context.tsx';
import type { ReportFile, ReportWorker } from '../../workers/reportProtocol.ts';
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
  readonly as: ReportFile;
  readonly done: number;
  readonly of: number;
}

/** Writes a report as a file of the person's; long work shows how far it is, and is stopped when asked. */
export function useWriter(getOpen: () => OpenReport) {
  const worker = useReportWorker();
  const { download } = useServices();
  const [writing, setWriting] = useState<Writing | undefined>();
  const stop = useRef<AbortController | undefined>(undefined);
  const write = useCallback(
    async (as: ReportFile): Promise<Blob | undefined> => {
      const controller = new AbortController();
      stop.current = controller;
      setWriting({ as, done: 0, of: 1 });
      try {
        const printed = printReport(getOpen());
        const onWritten = proxy((done: number, of: number) => setWriting({ as, done, of }));
        return await worker.ask(
          (remote) => remote.write(printed, as, onWritten),
          BUDGETS_MS.report,
          controller.signal,
        );
      } catch (error) {
        if (!(error instanceof WorkerEnded && error.reason === 'canceled'))
          tellProblem(
            describeProblem({
              kind: 'writing-ended',
              why: error instanceof WorkerEnded ? error.reason : 'died',
            }),
          );
        return undefined;
      } finally {
        setWriting(undefined);
      }
    },
    [getOpen, worker],
  );
  const save = async (as: ReportFile): Promise<void> => {
    const blob = await write(as);
    if (blob !== undefined) download(fileName(getOpen().spec.name, `.${as}`), blob);
  };
  return { writing, write, save, stop: () => stop.current?.abort(), worker };
}
