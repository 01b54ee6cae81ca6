import { useCallback, useMemo } from 'react';
import { useParams } from 'react-router';
import { put, remove, update } from '@zest/core/job/change';
import type { Id } from '@zest/core/job/id';
import { inOrder, orderAfter, settingsOf } from '@zest/core/job/job';
import type { DocumentRecord, DocumentSpec } from '@zest/core/job/records/document';
import { usualBid } from '@zest/core/library/documentPresets';
import { tellProblem } from '../../parts/toaster.tsx';
import { useOpenJob, useServices } from '../../stores/context.tsx';
import { useTable } from '../../stores/jobHooks.ts';
import { useGoToRecord } from '../../stores/useGoToRecord.ts';
import { useSettle } from '../../stores/useSettle.ts';
import { t } from '../../messages/t.ts';
import { documentWords } from './documentWords.ts';

/** A document as it is listed. */
export interface ListedDocument {
  readonly key: string;
  /** What it is called here; on paper the usual bid is called so in the language of the paper. */
  readonly label: string;
  readonly spec: DocumentSpec;
  /** Undefined for the usual bid of a job that keeps none: a change makes a document of the job of it. */
  readonly id: Id<'document'> | undefined;
}

export const USUAL_KEY = 'usual';

const specOf = ({ type: _type, id: _id, order: _order, ...spec }: DocumentRecord): DocumentSpec => spec;

/** The documents of the job; the usual bid where it keeps none. */
export function useListedDocuments(): readonly ListedDocument[] {
  const records = useTable('document');
  const { job } = useOpenJob();
  const settings = settingsOf(job);
  return useMemo(() => {
    const own = inOrder(records.values()).map((record) => ({
      key: record.id,
      label: record.name,
      id: record.id,
      spec: specOf(record),
    }));
    if (own.length > 0) return own;
    const name = documentWords(settings).t('bid.bid');
    return [{ key: USUAL_KEY, label: t('bid.bid'), id: undefined, spec: usualBid(name, settings) }];
  }, [records, settings]);
}

export type ChangeDocument = (
  label: string,
  change: (spec: DocumentSpec) => DocumentSpec,
) => string | undefined;

/** What is done with documents as records, each as one step. */
export function useDocumentChanges(current: ListedDocument | undefined) {
  const settle = useSettle();
  const { makeId } = useServices();
  const records = useTable('document');
  const { documentId } = useParams();
  const go = useGoToRecord('bid');
  const add = useCallback(
    (label: string, spec: DocumentSpec): string | undefined => {
      const id = makeId('document');
      const usual: readonly DocumentRecord[] =
        current !== undefined && current.id === undefined
          ? [{ ...current.spec, type: 'document', id: makeId('document'), order: 1 }]
          : [];
      const order = orderAfter([...records.values(), ...usual]);
      const refused = settle(label, put(...usual, { ...spec, type: 'document', id, order }));
      if (refused === undefined) go(id);
      return refused;
    },
    [makeId, settle, records, go, current],
  );
  const change: ChangeDocument = useCallback(
    (label, how) => {
      if (current === undefined) return undefined;
      const { id, spec } = current;
      if (id !== undefined)
        return settle(
          label,
          update({ id }, (now) => ({ ...now, ...how(specOf(now)) })),
        );
      return settle(label, put({ ...how(spec), type: 'document', id: makeId('document'), order: 1 }));
    },
    [current, settle, makeId],
  );
  const drop = useCallback((): void => {
    if (current?.id === undefined) return;
    const refused = settle(t('bid.deleteDocumentNamed', { name: current.spec.name }), remove(current.id));
    if (refused !== undefined) tellProblem(refused);
    else go('');
  }, [current, settle, go]);
  return useMemo(() => ({ add, change, drop, go, documentId }), [add, change, drop, go, documentId]);
}

export type DocumentChanges = ReturnType<typeof useDocumentChanges>;
