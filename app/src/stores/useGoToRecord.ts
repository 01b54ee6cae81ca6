import { useCallback } from 'react';
import { useNavigate } from 'react-router';
import { useJobId } from './jobHooks.ts';

/** Opens a record on its stage at once, so that what follows finds it there; the stage itself for an empty key. */
export function useGoToRecord(stage: string): (key: string) => void {
  const navigate = useNavigate();
  const jobId = useJobId();
  return useCallback(
    (key) => void navigate(`/job/${jobId}/${stage}/${encodeURIComponent(key)}`, { flushSync: true }),
    [navigate, jobId, stage],
  );
}
