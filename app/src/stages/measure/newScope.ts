import type { MakeId } from '@zest/core/job/id';
import { type Job, orderAfter } from '@zest/core/job/job';
import { COLOR_COUNT, type Scope } from '@zest/core/job/records/scope';
import type { MarkKind } from '@zest/core/job/markKinds';
import { NAME_LIMIT } from '@zest/core/job/records/fields';
import { keyFor } from '@zest/core/job/keyFor';
import { KIND_WORDS } from '../../messages/words.ts';

export const takenKeys = (job: Job): ReadonlySet<string> =>
  new Set([...job.scope.values(), ...job.quantity.values(), ...job.table.values()].map(({ key }) => key));

/** A scope of the kind by a name that was typed, numbered where another has it. */
export function namedScope(job: Job, kind: MarkKind, name: string, makeId: MakeId): Scope {
  const names = new Set([...job.scope.values()].map((scope) => scope.name));
  let free = name.slice(0, NAME_LIMIT);
  for (let number = 2; names.has(free); number += 1) free = `${name.slice(0, NAME_LIMIT - 5)} ${number}`;
  return { ...newScope(job, kind, makeId), name: free, key: keyFor(free, takenKeys(job)) };
}

/** A scope of the kind with a name of its own, in the color least used so far. */
export function newScope(job: Job, kind: MarkKind, makeId: MakeId): Scope {
  const scopes = [...job.scope.values()];
  const names = new Set(scopes.map(({ name }) => name));
  let number = scopes.filter((scope) => scope.kind === kind).length + 1;
  while (names.has(`${KIND_WORDS[kind].one} ${number}`)) number += 1;
  const name = `${KIND_WORDS[kind].one} ${number}`;
  const uses = Array.from(
    { length: COLOR_COUNT },
    (_, color) => scopes.filter((scope) => scope.color === color).length,
  );
  const color = uses.indexOf(Math.min(...uses));
  return {
    type: 'scope',
    id: makeId('scope'),
    key: keyFor(name, takenKeys(job)),
    name,
    kind,
    color,
    sectionId: null,
    order: orderAfter(scopes),
    properties: [],
  };
}
