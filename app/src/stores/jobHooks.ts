import { useRef } from 'react';
import { useStore } from 'zustand';
import type { Figure } from '@zest/core/calculate/graph/rule';
import type { Id, RecordType } from '@zest/core/job/id';
import { type Job, type Table, findRecord } from '@zest/core/job/job';
import type { NodeId } from '@zest/core/job/nodeId';
import type { RecordOf } from '@zest/core/job/record';
import { sameValue } from '@zest/core/job/sameValue';
import { useStores } from './context.tsx';
import type { OpenJob } from './jobStore.ts';

/**
 * Something of the open job as it is now. Whoever asks is drawn anew when, and only when, that very thing is another:
 * not with every change of the job.
 */
export function useOfJob<Value>(select: (open: OpenJob) => Value): Value {
  const last = useRef<
    { readonly open: OpenJob; readonly select: unknown; readonly value: Value } | undefined
  >(undefined);
  return useStore(useStores().jobs, ({ open }) => {
    if (open === undefined) throw new Error('useOfJob: no job is open');
    const had = last.current;
    // The store also tells of what is no change of the job: that it is being saved, what is selected.
    if (had?.open === open && had.select === select) return had.value;
    const found = select(open);
    const value = had !== undefined && sameValue(had.value, found) ? had.value : found;
    last.current = { open, select, value };
    return value;
  });
}

export const useJobId = (): string => useOfJob(({ jobId }) => jobId);

/** A record by its id; undefined once it is gone, and where there is no id. */
export const useRecord = <Type extends RecordType>(id: Id<Type> | undefined): RecordOf<Type> | undefined =>
  useStore(useStores().jobs, ({ open }) =>
    open === undefined || id === undefined ? undefined : findRecord(open.job, id),
  );

/** All records of a type; the same table until one of them changes. */
export const useTable = <Type extends RecordType>(type: Type): Table<Type> =>
  useOfJob(({ job }) => job[type]);

/** Several tables at once, under the names they have in the job; drawn anew when one of them is another. */
export const useTables = <Type extends RecordType>(...types: readonly Type[]): Pick<Job, Type> =>
  useOfJob(({ job }) => Object.fromEntries(types.map((type) => [type, job[type]])) as Pick<Job, Type>);

export const useFigure = (node: NodeId): Figure => useOfJob(({ figures }) => figures.figure(node));

export const useFigures = (nodes: readonly NodeId[]): readonly Figure[] =>
  useOfJob(({ figures }) => nodes.map((node) => figures.figure(node)));
