import { listRoles } from '../formula/roles.ts';
import { mapFormulas } from '../job/formulas.ts';
import { createJob } from '../job/job.ts';
import type { Assembly } from '../job/records/assembly.ts';

/** The tables that the formulas of an assembly look figures up in. */
export function lookupKeysOf(assembly: Assembly): ReadonlySet<string> {
  const keys = new Set<string>();
  mapFormulas(createJob([]), assembly, ({ text }) => {
    for (const { role, word } of listRoles(text)) if (role === 'table') keys.add(word);
    return text;
  });
  return keys;
}
