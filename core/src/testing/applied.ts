import type { NodeId } from '../job/nodeId.ts';
import { Calculation } from '../calculate/calculation.ts';
import { knownValue } from '../calculate/define.ts';
import { lineNode, netNode, scopeCostNode } from '../calculate/graph/nodes.ts';
import { componentLine } from '../job/lineKey.ts';
import { put } from '../job/change.ts';
import type { Id } from '../job/id.ts';
import { checkJob } from '../job/integrity.ts';
import { type Job, applyDiff, createJob, listRecords } from '../job/job.ts';
import type { RecordOf } from '../job/record.ts';
import type { Mark } from '../job/records/mark.ts';
import type { Scope } from '../job/records/scope.ts';
import { applyFromLibrary, tradeLibrary } from '../library/tradeLibrary.ts';
import type { UnitSystem } from '../units/format.ts';
import { getUnit } from '../units/unit.ts';
import { createTestJob, makeMark, makeScope } from './job.ts';

export type Feet = readonly (readonly [number, number])[];

/** Marks of a scope from feet, whatever its kind. */
export type Drawn = (make: ReturnType<typeof createTestJob>, scope: Scope) => readonly Mark[];
export const strokes =
  (...lists: readonly Feet[]): Drawn =>
  ({ makeId, sheet }, scope) =>
    lists.map((stroke) => makeMark(makeId, scope, sheet, stroke));
export const points = (count: number): Drawn =>
  strokes(...Array.from({ length: count }, (_, i): Feet => [[i * 10, 0]]));
/** A gable 50 ft long over 20 ft of run a side, at 6/12. */
export const gable: Drawn = ({ makeId, sheet }, scope) => [
  {
    ...makeMark(makeId, scope, sheet, [
      [0, 0],
      [50, 0],
      [50, 20],
      [0, 20],
    ]),
    slope: { pitch: '6/12', edges: ['eave', 'rake', 'ridge', 'rake'] },
  },
  {
    ...makeMark(makeId, scope, sheet, [
      [0, 20],
      [50, 20],
      [50, 40],
      [0, 40],
    ]),
    slope: { pitch: '6/12', edges: ['ridge', 'rake', 'eave', 'rake'] },
  },
];
export const TYPICAL: Readonly<Record<Scope['kind'], Drawn>> = {
  run: strokes([
    [0, 0],
    [40, 0],
    [40, 60],
  ]),
  area: strokes([
    [0, 0],
    [40, 0],
    [40, 30],
    [0, 30],
  ]),
  count: points(6),
  slope: gable,
};

export interface Applied {
  readonly job: Job;
  readonly net: (key: string, unit: string) => number;
  readonly bought: (key: string) => number;
  readonly failures: readonly string[];
  readonly calculation: Calculation;
  readonly use: RecordOf<'use'>;
  /** Of all components, minor units. */
  readonly cost: number;
}

/** One of the assemblies a job starts with, on a scope. */
function useOf(id: Id<'use'>, scope: Scope, assembly: RecordOf<'assembly'> | undefined): RecordOf<'use'> {
  if (assembly === undefined) throw new Error('useOf: no assembly');
  return { type: 'use', id, scopeId: scope.id, assemblyId: assembly.id, order: 1, answers: {} };
}

/** An assembly of the library, or one that a job starts with, on something drawn. */
export function apply(
  name: string,
  drawn: Drawn,
  answers: Record<string, string> = {},
  system: UnitSystem = 'us',
): Applied {
  const test = createTestJob(system);
  const shipped = tradeLibrary(system).find((each) => each.name === name);
  const own = [...test.job.assembly.values()].find((each) => each.name === name);
  const measures = (shipped ?? own)?.measures;
  if (measures === undefined) throw new Error(`apply: no assembly is called ${name}`);
  const scope = makeScope(test.makeId, { key: 'measured', kind: measures });
  const measured = createJob([...listRecords(test.job), scope, ...drawn(test, scope)]);
  const applied = (
    shipped === undefined
      ? put(useOf(test.makeId('use'), scope, own))
      : applyFromLibrary(shipped, [scope.id], test.makeId)
  )(measured);
  if (!applied.ok) throw new Error(JSON.stringify(applied.problem));
  const started = applyDiff(measured, applied.value);
  const [use] = started.use.values();
  if (use === undefined) throw new Error('apply: nothing was applied');
  const answered = put({ ...use, answers })(started);
  if (!answered.ok) throw new Error(JSON.stringify(answered.problem));
  const job = applyDiff(started, answered.value);
  const broken = checkJob(job);
  if (broken !== undefined) throw new Error(`apply: ${name}: ${JSON.stringify(broken)}`);
  const calculation = new Calculation(job);
  const known = (node: NodeId): number => knownValue(calculation.figure(node)) ?? Number.NaN;
  const failures = (job.assembly.get(use.assemblyId)?.components ?? []).flatMap(({ key }) => {
    const { failure } = calculation.figure(lineNode(componentLine(use.id, key), 'extension'));
    return failure === undefined ? [] : [`${key}: ${JSON.stringify(failure)}`];
  });
  return {
    job,
    net: (key, unit) => known(netNode(use.id, key)) / (unit === '' ? 1 : getUnit(unit).factor),
    bought: (key) => known(lineNode(componentLine(use.id, key), 'quantity')),
    failures,
    calculation,
    use,
    cost: known(scopeCostNode(use.scopeId)),
  };
}
