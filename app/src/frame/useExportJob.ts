import { describeProblem } from '../messages/describeProblem.ts';
import { tellProblem } from '../components/toaster.tsx';
import { packJob } from '../storage/jobFiles.ts';
import { useOpenNow, useServices } from '../stores/context.tsx';

/** Saves the job as it is on the screen as a file, whether or not it could be kept here. */
export function useExportJob(): () => Promise<void> {
  const services = useServices();
  const openNow = useOpenNow();
  return async () => {
    const { jobId, job } = openNow();
    const packed = await packJob(services, jobId, job);
    if (packed.ok) {
      services.download(packed.value.name, packed.value.blob);
      // The file is what counts; a full disk keeps no note of it.
      await services.storage.noteExport(jobId, services.now()).catch(() => undefined);
    } else tellProblem(describeProblem(packed.problem));
  };
}
