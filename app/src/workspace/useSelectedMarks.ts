import type { Mark } from '@zest/core/job/records/mark';
import { useTable } from '../stores/jobHooks.ts';

/** The marks of these ids as the job has them now. */
export function useSelectedMarks(ids: ReadonlySet<string>): readonly Mark[] {
  const marks = useTable('mark');
  return [...ids].flatMap((id) => marks.get(id as Mark['id']) ?? []);
}
