import { useRef } from 'react';
import { useStore } from 'zustand';
import type { Figure } from '@zest/core/calculate/graph/rule';
import type { Id, RecordType } from '@zest/core/job/id';
import { type Table, findRecord } from '@zest/core/job/job';
import type { NodeId } from '@zest/core/job/nodeId';
import type { RecordOf } from '@zest/core/job/record';
import { sameValue } from '@zest/core/job/sameValue';
import { useStores } from './context.tsx';
import type { OpenJob } from './jobStore.ts';

/**
 * Something of the open job as it is now. Whoever asks is drawn anew when, and only when, that very thing is another:
 * not with every change of the job.
 */
function useOfJob<Value>(select: (open: OpenJob) => Value): Value {
  const last = useRef<{ readonly value: Value } | undefined>(undefined);
  return useStore(useStores().jobs, ({ open }) => {
    if (open === undefined) throw new Error('useOfJob: no job is open');
    const value = select(open);
    if (last.current === undefined || !sameValue(last.current.value, value)) last.current = { value };
    return last.current.value;
  });
}

/** A record by its id; undefined once it is gone. */
export const useRecord = <Type extends RecordType>(id: Id<Type>): RecordOf<Type> | undefined =>
  useStore(useStores().jobs, ({ open }) => (open === undefined ? undefined : findRecord(open.job, id)));

/** All records of a type; the same table until one of them changes. */
export const useTable = <Type extends RecordType>(type: Type): Table<Type> =>
  useStore(useStores().jobs, ({ open }) => {
    if (open === undefined) throw new Error('useTable: no job is open');
    return open.job[type];
  });

export const useFigure = (node: NodeId): Figure => useOfJob(({ figures }) => figures.figure(node));

export const useFigures = (nodes: readonly NodeId[]): readonly Figure[] =>
  useOfJob(({ figures }) => nodes.map((node) => figures.figure(node)));
