import { type Job, inOrder } from '@zest/core/job/job';
import type { MarkKind } from '@zest/core/job/markKinds';
import type { Assembly } from '@zest/core/job/records/assembly';

/** The job's own assemblies for a kind of mark whose name, folder, tags or description hold every word. */
export function ownFitting(job: Job, kind: MarkKind, text: string): readonly Assembly[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  return inOrder(job.assembly.values()).filter(
    ({ name, description, folder = '', tags = '', measures }) =>
      measures === kind &&
      words.every((word) => `${name} ${folder} ${tags} ${description}`.toLowerCase().includes(word)),
  );
}
