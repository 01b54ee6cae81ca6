import { type Command, put } from '@zest/core/job/change';
import type { MakeId } from '@zest/core/job/id';
import { type Job, applyDiff, settingsOf } from '@zest/core/job/job';
import { applyFromLibrary, tradeLibrary } from '@zest/core/library/tradeLibrary';

export const change = (job: Job, command: Command): Job => {
  const diff = command(job);
  if (!diff.ok) throw new Error(`change: ${JSON.stringify(diff.problem)}`);
  return applyDiff(job, diff.value);
};

/** One assembly of the trade library on one scope, with the answers that are not the usual ones. */
export type Derived = readonly [scope: string, assembly: string, answers?: Readonly<Record<string, string>>];

/** Applies assemblies of the library to the scopes of a job, as a person would one after the other. */
export function derive(job: Job, list: readonly Derived[], makeId: MakeId): Job {
  const library = tradeLibrary(settingsOf(job).unitSystem);
  return list.reduce((current, [key, name, answers = {}]) => {
    const scope = [...current.scope.values()].find((each) => each.key === key);
    const assembly = library.find((each) => each.name === name);
    if (scope === undefined || assembly === undefined) throw new Error(`derive: no ${key} or no ${name}`);
    const applied = change(current, applyFromLibrary(assembly, [scope.id], makeId));
    const use = [...applied.use.values()].at(-1);
    if (use === undefined) throw new Error(`derive: ${name} was not applied`);
    return Object.keys(answers).length === 0
      ? applied
      : change(applied, put({ ...use, answers: { ...answers } }));
  }, job);
}
