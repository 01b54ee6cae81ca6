import type { MakeId } from '@zest/core/job/id';
import { type Job, orderAfter } from '@zest/core/job/job';
import { COLOR_COUNT, type Scope } from '@zest/core/job/records/scope';
import type { MarkKind } from '@zest/core/takeoff/measures';
import { RESERVED_NAMES } from '@zest/core/formula/functions';

const NAMES: Readonly<Record<MarkKind, string>> = {
  run: 'Run',
  area: 'Area',
  count: 'Count',
  slope: 'Roof slope',
};

/** A key from a name: `Partition P2, 6"` is partition_p2_6; made unique among the job's keys. */
export function keyFor(name: string, taken: ReadonlySet<string>): string {
  const plain = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '_')
    .replace(/^_+|_+$/g, '')
    .slice(0, 40);
  const base = /^[a-z_]/.test(plain) ? plain : `scope_${plain}`.replace(/_$/, '');
  for (let i = 1; ; i += 1) {
    const key = i === 1 ? base : `${base}_${i}`;
    if (!taken.has(key) && !RESERVED_NAMES.has(key)) return key;
  }
}

export const takenKeys = (job: Job): ReadonlySet<string> =>
  new Set([...job.scope.values()].map(({ key }) => key));

/** A scope of the kind with a name of its own, in the color least used so far. */
export function newScope(job: Job, kind: MarkKind, makeId: MakeId): Scope {
  const scopes = [...job.scope.values()];
  const names = new Set(scopes.map(({ name }) => name));
  let number = scopes.filter((scope) => scope.kind === kind).length + 1;
  while (names.has(`${NAMES[kind]} ${number}`)) number += 1;
  const name = `${NAMES[kind]} ${number}`;
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
