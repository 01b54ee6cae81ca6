import fc from 'fast-check';
import type { RecordOf } from '../job/record.ts';
import { assemblyEdits } from './edits/assemblyEdits.ts';
import { formulaEdits } from './edits/formulaEdits.ts';
import { type RandomEdit, takeHand } from './edits/hand.ts';
import { lineEdits } from './edits/lineEdits.ts';
import { measureEdits } from './edits/measureEdits.ts';
import { moneyEdits } from './edits/moneyEdits.ts';
import { placeEdits } from './edits/placeEdits.ts';
import { priceEdits } from './edits/priceEdits.ts';
import { makeMark, makeScope } from './job.ts';
import { type Bench, createBench } from './priced.ts';
import { makeMarkup } from './records.ts';

const DEEDS: readonly RandomEdit[] = [
  ...lineEdits,
  ...moneyEdits,
  ...priceEdits,
  ...placeEdits,
  ...formulaEdits,
  ...measureEdits,
  ...assemblyEdits,
];
export const DEED_COUNT = DEEDS.length;

export const markup = (bench: Bench, content: Partial<RecordOf<'markup'>>): RecordOf<'markup'> =>
  makeMarkup(bench.makeId, content);

/** Everything a person may do to what a bid is made of, by number; what is refused changes nothing. */
export function doSomething(bench: Bench, what: number, pick: number, amount: number): void {
  DEEDS[what % DEEDS.length]?.(takeHand(bench, pick, amount));
}

/** A job with two things measured and priced by assemblies. */
export function startBusyBench(): Bench {
  const bench = createBench();
  const scopes = [
    makeScope(bench.makeId, { key: 'slab', kind: 'area', sectionId: bench.sectionId('03') }),
    makeScope(bench.makeId, { key: 'wall', kind: 'run', sectionId: bench.sectionId('06'), order: 2 }),
  ];
  const use = (scope: RecordOf<'scope'>, name: string): RecordOf<'use'> => ({
    type: 'use',
    id: bench.makeId('use'),
    scopeId: scope.id,
    assemblyId: bench.assembly(name).id,
    order: 1,
    answers: {},
  });
  const [slab, wall] = scopes as [RecordOf<'scope'>, RecordOf<'scope'>];
  bench.change(slab, wall);
  bench.change(
    makeMark(bench.makeId, slab, bench.sheet, [
      [0, 0],
      [24, 0],
      [24, 30],
      [0, 30],
    ]),
  );
  bench.change(
    makeMark(bench.makeId, wall, bench.sheet, [
      [0, 0],
      [40, 0],
    ]),
  );
  const [forArea] = [...bench.job().assembly.values()].filter(({ measures }) => measures === 'area');
  const [forRun] = [...bench.job().assembly.values()].filter(({ measures }) => measures === 'run');
  if (forArea) bench.change(use(slab, forArea.name));
  if (forRun) bench.change(use(wall, forRun.name));
  return bench;
}

/** Any list of edits, by number, place and amount. */
export const anyEdits = fc.array(
  fc.tuple(fc.nat(DEEDS.length - 1), fc.nat(1000), fc.integer({ min: 1, max: 400 })),
  {
    minLength: 1,
    maxLength: 24,
  },
);

export type Deeds = readonly (readonly [what: number, pick: number, amount: number])[];

/** The busy job after these edits. */
export function deskAfter(list: Deeds): Bench {
  const bench = startBusyBench();
  for (const [what, pick, amount] of list) doSomething(bench, what, pick, amount);
  return bench;
}
