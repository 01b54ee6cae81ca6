import { refuse } from '../../problem/result.ts';
import { type Command, put, remove, sequence } from '../change.ts';
import { type KeyedName, findUsers, renameIn, titleOf } from '../formulas.ts';
import type { Id } from '../id.ts';
import { type Job, findRecord } from '../job.ts';
import type { JobRecord } from '../record.ts';

type Keyed = 'quantity' | 'scope' | 'table';

/** Gives a scope, named quantity or table another key; every formula that has it follows. */
export const renameKey =
  <Type extends Keyed>(id: Id<Type>, key: string): Command =>
  (job) => {
    const record = findRecord<Keyed>(job, id);
    if (record === undefined) return refuse({ kind: 'record-gone', id });
    const renamed = renameIn(job, { type: record.type, key: record.key }, key);
    // The record may use its own key, as a scope in its properties does.
    const own = (renamed.find((each) => each.id === id) ?? record) as typeof record;
    const others = renamed.filter((each) => each.id !== id);
    return put({ ...own, key } as JobRecord, ...others)(job);
  };

/** Gives a property of a scope another key; formulas on the scope and elsewhere follow. */
export const renameProperty =
  (scopeId: Id<'scope'>, from: string, to: string): Command =>
  (job) => {
    const scope = findRecord(job, scopeId);
    if (scope === undefined) return refuse({ kind: 'record-gone', id: scopeId });
    const renamed = renameIn(job, { type: 'property', key: from, scope }, to);
    const own = renamed.find((each) => each.id === scopeId) ?? scope;
    if (own.type !== 'scope') return refuse({ kind: 'record-gone', id: scopeId });
    const properties = own.properties.map((each) => (each.key === from ? { ...each, key: to } : each));
    return put({ ...own, properties }, ...renamed.filter((each) => each.id !== scopeId))(job);
  };

/** Gives a column of a table another key; every formula that looks something up in it follows. */
export const renameColumn =
  (tableId: Id<'table'>, from: string, to: string): Command =>
  (job) => {
    const table = findRecord(job, tableId);
    if (table === undefined) return refuse({ kind: 'record-gone', id: tableId });
    const columns = table.columns.map((each) => (each.key === from ? { ...each, key: to } : each));
    const renamed = renameIn(job, { type: 'column', key: from, table: table.key }, to);
    return put({ ...table, columns }, ...renamed)(job);
  };

/** Takes a property off a scope, as long as no formula elsewhere reads it there. */
export const removeProperty =
  (scopeId: Id<'scope'>, key: string, title: string): Command =>
  (job) => {
    const scope = findRecord(job, scopeId);
    if (scope === undefined) return refuse({ kind: 'record-gone', id: scopeId });
    const properties = scope.properties.filter((each) => each.key !== key);
    // Formulas of the scope that read it by its bare name are the scope's own affair, and say what they lack.
    const apart = new Set<string>([
      scopeId,
      ...[...job.use.values()].filter((use) => use.scopeId === scopeId).map(({ id }) => id),
    ]);
    return sequence(
      ensureUnused({ type: 'property', key, scope }, title, apart),
      put({ ...scope, properties }),
    )(job);
  };

const usersOf = (job: Job, name: KeyedName, apart: ReadonlySet<string>): readonly string[] => [
  ...new Set(
    findUsers(job, name)
      .filter(({ id }) => !apart.has(id))
      .map((record) => titleOf(job, record)),
  ),
];

/** Refused while a formula uses the name, so that none loses its ground in silence. */
export const ensureUnused =
  (name: KeyedName, title: string, apart: ReadonlySet<string> = new Set()): Command =>
  (job) => {
    const users = usersOf(job, name, apart);
    return users.length > 0 ? refuse({ kind: 'name-in-use', name: title, users }) : put()(job);
  };

/** A named quantity or a table goes, as long as nothing is figured by it. */
export const removeNamed =
  (id: Id<'quantity'> | Id<'table'>): Command =>
  (job) => {
    const record = findRecord<'quantity' | 'table'>(job, id);
    if (record === undefined) return refuse({ kind: 'record-gone', id });
    const { type, key, name } = record;
    // What reads itself is a loop, and must be removable.
    return sequence(ensureUnused({ type, key }, name, new Set([id])), remove(id))(job);
  };

/** A difficulty goes while nothing is said to be so: no scope, no use, no zone, and not the job. */
export const removeDifficulty =
  (id: Id<'difficulty'>): Command =>
  (job) => {
    const has = ({ difficulty }: { readonly difficulty?: readonly string[] | undefined }): boolean =>
      difficulty?.includes(id) === true;
    const count = [
      ...job.scope.values(),
      ...job.use.values(),
      ...job.zone.values(),
      ...job.settings.values(),
    ].filter(has).length;
    const name = findRecord(job, id)?.name ?? '';
    if (count > 0) return refuse({ kind: 'difficulty-in-use', name, count });
    return remove(id)(job);
  };
