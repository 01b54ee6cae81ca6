import { useCallback, useEffect, useRef, useState } from 'react';
import type { Result } from '@zest/core/problem/result';
import { tellProblem } from '../../parts/toaster.tsx';
import { type Problem, describeProblem } from '../../messages/describeProblem.ts';
import type { JobSummary } from '../../storage/database.ts';
import { importJob } from '../../storage/jobFiles.ts';
import { useServices } from '../../stores/context.tsx';
import { type ImportedChoice } from './ImportedDialog.tsx';
import { placeImported, settleImported } from '../../storage/imported.ts';
import { t } from '../../messages/t.ts';

/** The jobs of this browser, and what is being done with one of them. */
export function useJobs() {
  const services = useServices();
  const [jobs, setJobs] = useState<readonly JobSummary[] | undefined>();
  const [busy, setBusy] = useState<{ readonly words: string; readonly stops: boolean } | undefined>();
  /** Set while a file is being read, which can be stopped. */
  const reading = useRef<AbortController | undefined>(undefined);
  const refresh = useCallback(async () => {
    const all = await services.storage.listJobs();
    setJobs([...all].sort((a, b) => b.changedAt - a.changedAt));
  }, [services]);
  useEffect(() => void refresh(), [refresh]);

  const settle = async (what: string, work: Promise<Result<unknown, Problem>>): Promise<boolean> => {
    setBusy({ words: what, stops: reading.current !== undefined });
    const done = await work;
    setBusy(undefined);
    if (!done.ok) tellProblem(describeProblem(done.problem));
    await refresh();
    return done.ok;
  };
  /** A job of a file that is here already, and the one that is here. */
  const [twice, setTwice] = useState<{ readonly imported: JobSummary; readonly here: JobSummary }>();
  const read = async (file: File): Promise<void> => {
    reading.current = new AbortController();
    const work = importJob(services, file, reading.current.signal);
    await settle(t('jobs.reading', { name: file.name }), work);
    reading.current = undefined;
    const done = await work;
    if (done.ok) setTwice(await placeImported(services, done.value));
    await refresh();
  };
  const answer = async (choice: ImportedChoice): Promise<void> => {
    if (twice === undefined) return;
    setTwice(undefined);
    const done = await settleImported(services, twice, choice);
    if (!done.ok) tellProblem(describeProblem(done.problem));
    await refresh();
  };
  return { jobs, busy, refresh, settle, read, twice, answer, stop: () => reading.current?.abort() };
}
