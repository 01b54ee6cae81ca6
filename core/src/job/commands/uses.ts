import { refuse } from '../../problem/result.ts';
import { type Command, put, sequence } from '../change.ts';
import type { Id, MakeId } from '../id.ts';
import { type Job, findRecord, orderAfter } from '../job.ts';
import type { JobRecord } from '../record.ts';
import type { Assembly } from '../records/assembly.ts';
import type { Use } from '../records/use.ts';

/** Applies an assembly of the job to scopes. */
export const applyAssembly =
  (assemblyId: Id<'assembly'>, scopeIds: readonly Id<'scope'>[], makeId: MakeId): Command =>
  (job) => {
    const uses = scopeIds.map((scopeId): Use => ({
      type: 'use',
      id: makeId('use'),
      scopeId,
      assemblyId,
      order: orderAfter([...job.use.values()].filter((use) => use.scopeId === scopeId)),
      answers: {},
    }));
    return put(...uses)(job);
  };

/** Answers that the other assembly asks for too go along. */
export function keptAnswers(use: Use, assembly: Assembly): Use['answers'] {
  const asked = new Set(assembly.inputs.map(({ key }) => key));
  return Object.fromEntries(Object.entries(use.answers).filter(([key]) => asked.has(key)));
}

/** Puts another assembly in the place of the one that is applied; its place and its answers are kept. */
export const swapAssembly =
  (useId: Id<'use'>, assemblyId: Id<'assembly'>): Command =>
  (job) => {
    const use = findRecord(job, useId);
    const assembly = findRecord(job, assemblyId);
    if (use === undefined) return refuse({ kind: 'record-gone', id: useId });
    if (assembly === undefined) return refuse({ kind: 'record-gone', id: assemblyId });
    // What was off is named by the components of the assembly that goes.
    const { off: _gone, ...kept } = use;
    return put({ ...kept, assemblyId, answers: keptAnswers(use, assembly) })(job);
  };

/** A copy of an assembly for one use alone, so that a change there leaves the others as they are. */
export const ownAssembly =
  (useId: Id<'use'>, id: Id<'assembly'>, name: string): Command =>
  (job) => {
    const use = findRecord(job, useId);
    const assembly = use === undefined ? undefined : findRecord(job, use.assemblyId);
    if (use === undefined || assembly === undefined) return refuse({ kind: 'record-gone', id: useId });
    const copy: Assembly = { ...assembly, id, name, order: orderAfter(job.assembly.values()) };
    return sequence(put(copy), put({ ...use, assemblyId: id }))(job);
  };

const renamedKeys = (
  answers: Readonly<Record<string, string>>,
  from: string,
  to: string,
): Readonly<Record<string, string>> =>
  Object.fromEntries(Object.entries(answers).map(([key, text]) => [key === from ? to : key, text]));

/**
 * What must follow when a question or a component of an assembly gets another key: the answers that were
 * given on scopes and where it stands inside other assemblies, and what is left out there.
 */
export function followKey(
  job: Job,
  assemblyId: Id<'assembly'>,
  from: string,
  to: string,
): readonly JobRecord[] {
  const uses = [...job.use.values()]
    .filter(
      (use) => use.assemblyId === assemblyId && (from in use.answers || use.off?.includes(from) === true),
    )
    .map((use): Use => ({
      ...use,
      answers: renamedKeys(use.answers, from, to),
      ...(use.off === undefined ? {} : { off: use.off.map((path) => (path === from ? to : path)) }),
    }));
  const around = [...job.assembly.values()]
    .filter(({ inner }) => inner?.some((each) => each.assemblyId === assemblyId && from in each.answers))
    .map((assembly): Assembly => ({
      ...assembly,
      inner: (assembly.inner ?? []).map((each) =>
        each.assemblyId === assemblyId ? { ...each, answers: renamedKeys(each.answers, from, to) } : each,
      ),
    }));
  return [...uses, ...around];
}
