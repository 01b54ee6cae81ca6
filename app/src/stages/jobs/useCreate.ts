import type { NewJob } from '@zest/core/library/startJob';
import { useNavigate } from 'react-router';
import { describeProblem } from '../../messages/describeProblem.ts';
import type { JobSummary } from '../../storage/database.ts';
import { createNewJob } from '../../storage/jobFiles.ts';
import { useServices } from '../../stores/context.tsx';
import { createCompany, startJobOfCompany } from '../../storage/company.ts';
import { startFromTemplate } from '../../storage/templates.ts';

/** Makes a job and goes there; gives what is wrong, in words. */
export function useCreateJob() {
  const services = useServices();
  const navigate = useNavigate();
  return async (asked: NewJob, template: JobSummary | undefined): Promise<string | undefined> => {
    const made = await (template === undefined
      ? createNewJob(services, asked)
      : template.company === true
        ? startJobOfCompany(services, template, asked)
        : startFromTemplate(services, template, asked));
    if (!made.ok) return describeProblem(made.problem);
    // The first job is the moment to ask: there is something to lose now.
    void services.keeping.askToPersist();
    void navigate(`/job/${made.value}/sheets`);
    return undefined;
  };
}

/** Sets the company up and goes there; gives what is wrong, in words. */
export function useCreateCompany() {
  const services = useServices();
  const navigate = useNavigate();
  return async (asked: NewJob): Promise<string | undefined> => {
    const made = await createCompany(services, asked);
    if (!made.ok) return describeProblem(made.problem);
    void services.keeping.askToPersist();
    void navigate(`/job/${made.value}/settings`);
    return undefined;
  };
}
