import { listRoles } from '../../formula/roles.ts';
import { mapFormulas } from '../../job/formulas.ts';
import { type Job, createJob } from '../../job/job.ts';
import type { JobRecord } from '../../job/record.ts';
import { remember } from '../../job/remember.ts';
import { type NoFacts, defineRule } from '../rule.ts';

const NONE: NoFacts = {};

/** Keys of scopes that the formulas of a record speak of; read once for as long as it stays the same. */
const scopesIn = remember((record: JobRecord): readonly string[] => {
  const keys: string[] = [];
  mapFormulas(NO_JOB, record, ({ text }) => {
    for (const { role, word } of listRoles(text)) if (role === 'scope') keys.push(word);
    return text;
  });
  return keys;
});

const NO_JOB = createJob([]);
const SPEAKING = ['quantity', 'line', 'override', 'piece', 'scope', 'use', 'assembly', 'yardstick'] as const;

function usedScopes(job: Job): ReadonlySet<string> {
  const used = new Set<string>();
  for (const type of SPEAKING)
    for (const record of job[type].values() as Iterable<JobRecord>)
      for (const key of scopesIn(record)) used.add(key);
  return used;
}

/** Measured, and neither an assembly nor a formula makes anything of it. */
export const scopePricedNowhere = defineRule('scope-priced-nowhere', 'scopes', ({ job, figures }) => {
  const applied = new Set<string>([...job.use.values()].map(({ scopeId }) => scopeId));
  const idle = [...job.scope.values()].filter(({ id }) => !applied.has(id) && figures.isMeasured(id));
  if (idle.length === 0) return [];
  const used = usedScopes(job);
  return idle
    .filter(({ key }) => !used.has(key))
    .map(({ id, name }) => ({ of: id, name, place: { at: 'scope' as const, id }, facts: NONE }));
});
