import { useCallback, useEffect, useState } from 'react';
import type { Job } from '@zest/core/job/job';
import { findCompany } from '../../storage/company.ts';
import { useServices } from '../../stores/context.tsx';

export interface Company {
  readonly id: string;
  readonly job: Job;
}

/** The company as it is kept, read again when the window comes back; undefined while there is none. */
export function useCompany(): { readonly company: Company | undefined; readonly set: (job: Job) => void } {
  const services = useServices();
  const [company, setCompany] = useState<Company | undefined>();
  const read = useCallback(async () => {
    const summary = await findCompany(services);
    const job = summary === undefined ? undefined : await services.storage.loadJob(summary.id);
    setCompany(summary === undefined || job === undefined ? undefined : { id: summary.id, job });
  }, [services]);
  useEffect(() => {
    void read();
    const again = (): void => void read();
    window.addEventListener('focus', again);
    return () => window.removeEventListener('focus', again);
  }, [read]);
  const set = useCallback((job: Job) => setCompany((now) => (now === undefined ? now : { ...now, job })), []);
  return { company, set };
}
