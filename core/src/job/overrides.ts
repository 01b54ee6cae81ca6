import type { Id } from './id.ts';
import type { Job } from './job.ts';
import type { LineKey } from './lineKey.ts';
import { group } from './query.ts';
import type { Override } from './records/override.ts';

const overridesOn = group('override', ({ line }) => [line]);

/** What a person changed on a derived line; undefined where nothing. */
export function overrideOf(job: Job, key: LineKey): Override | undefined {
  const id: Id<'override'> | undefined = overridesOn(job, key).at(-1);
  return id === undefined ? undefined : job.override.get(id);
}
