import { Calculation } from '../calculate/calculation.ts';
import { knownValue } from '../calculate/define.ts';
import { measureNode, quantityNode } from '../calculate/graph/nodes.ts';
import { createJob, listRecords } from '../job/job.ts';
import type { RecordOf } from '../job/record.ts';
import type { Measure } from '../job/measures.ts';
import { type Drawn, apply } from '../testing/applied.ts';
import { createTestJob, makeScope } from '../testing/job.ts';
import type { UnitSystem } from '../units/format.ts';
import { getUnit } from '../units/unit.ts';

/** Said of a figure that a trade goes by and no standard prints. */
export const COMMON_PRACTICE = 'common practice';

/** One figure from outside that the product must come to. */
export interface Check {
  /** What it is a figure of. */
  readonly figure: string;
  readonly expected: number;
  readonly unit: string;
  /** A standard or handbook, 'common practice', or 'computed' with how. */
  readonly source: string;
  /** How far off it may be: half of the last place that the source prints. Rounding of the machine where left out. */
  readonly within?: number;
  /** What the product makes of it, in that unit. */
  readonly got: () => number;
}

/** Checks of one subject, in the order they are read. */
export interface Checks {
  readonly subject: string;
  readonly checks: readonly Check[];
}

const factorOf = (unit: string): number => (unit === '' ? 1 : getUnit(unit).factor);

/** A formula as it is typed for a named figure of a job, worked by the calculation. */
export function formula(text: string, unit: string, system: UnitSystem = 'us'): number {
  const { job, makeId } = createTestJob(system);
  const quantity: RecordOf<'quantity'> = {
    type: 'quantity',
    id: makeId('quantity'),
    key: 'checked',
    name: 'Checked',
    formula: text,
    unit,
    order: 1,
  };
  const calculation = new Calculation(createJob([...listRecords(job), quantity]));
  const value = knownValue(calculation.figure(quantityNode(quantity.id)));
  if (value === undefined) throw new Error(`formula: ${text} has no value`);
  return value / factorOf(unit);
}

/** A component of an assembly of the library, on something drawn. */
export const component = (
  assembly: string,
  drawn: Drawn,
  answers: Record<string, string>,
  key: string,
  unit: string,
  system: UnitSystem = 'us',
): number => apply(assembly, drawn, answers, system).net(key, unit);

/** What is bought of it: with waste, rounded up. */
export const bought = (
  assembly: string,
  drawn: Drawn,
  answers: Record<string, string>,
  key: string,
  system: UnitSystem = 'us',
): number => apply(assembly, drawn, answers, system).bought(key);

/** A measure of a scope that is drawn on a sheet. */
export function measure(
  content: Pick<RecordOf<'scope'>, 'kind'> & Partial<RecordOf<'scope'>>,
  drawn: Drawn,
  of: Measure,
  unit: string,
): number {
  const test = createTestJob();
  const scope = makeScope(test.makeId, { key: 'drawn', ...content });
  const job = createJob([...listRecords(test.job), scope, ...drawn(test, scope)]);
  const value = knownValue(new Calculation(job).figure(measureNode(scope.id, of)));
  if (value === undefined) throw new Error(`measure: ${of} has no value`);
  return value / factorOf(unit);
}
