import { describeProblem } from '../messages/describeProblem.ts';
import { tellProblem } from '../parts/toaster.tsx';
import { exportJob } from '../storage/jobFiles.ts';
import { useOpenNow, useServices } from '../stores/context.tsx';

/** Saves the job as it is on the screen as a file, whether or not it could be kept here. */
export function useExportJob(): () => Promise<void> {
  const services = useServices();
  const openNow = useOpenNow();
  return async () => {
    const { jobId, job } = openNow();
    const done = await exportJob(services, jobId, job);
    if (!done.ok) tellProblem(describeProblem(done.problem));
  };
}
