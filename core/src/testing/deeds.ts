import fc from 'fast-check';
import type { RecordOf } from '../job/record.ts';
import { assemblyDeeds } from './deeds/assemblyDeeds.ts';
import { formulaDeeds } from './deeds/formulaDeeds.ts';
import { type Deed, takeHand } from './deeds/hand.ts';
import { lineDeeds } from './deeds/lineDeeds.ts';
import { measureDeeds } from './deeds/measureDeeds.ts';
import { moneyDeeds } from './deeds/moneyDeeds.ts';
import { placeDeeds } from './deeds/placeDeeds.ts';
import { priceDeeds } from './deeds/priceDeeds.ts';
import { makeMark, makeScope } from './job.ts';
import { type Desk, createPricedDesk } from './priced.ts';
import { makeMarkup } from './records.ts';

const DEEDS: readonly Deed[] = [
  ...lineDeeds,
  ...moneyDeeds,
  ...priceDeeds,
  ...placeDeeds,
  ...formulaDeeds,
  ...measureDeeds,
  ...assemblyDeeds,
];
export const DEED_COUNT = DEEDS.length;

export const markup = (desk: Desk, content: Partial<RecordOf<'markup'>>): RecordOf<'markup'> =>
  makeMarkup(desk.makeId, content);

/** Everything a person may do to what a bid is made of, by number; what is refused changes nothing. */
export function doSomething(desk: Desk, what: number, pick: number, amount: number): void {
  DEEDS[what % DEEDS.length]?.(takeHand(desk, pick, amount));
}

/** A job with two things measured and priced by assemblies. */
export function startBusyDesk(): Desk {
  const desk = createPricedDesk();
  const scopes = [
    makeScope(desk.makeId, { key: 'slab', kind: 'area', sectionId: desk.sectionId('03') }),
    makeScope(desk.makeId, { key: 'wall', kind: 'run', sectionId: desk.sectionId('06'), order: 2 }),
  ];
  const use = (scope: RecordOf<'scope'>, name: string): RecordOf<'use'> => ({
    type: 'use',
    id: desk.makeId('use'),
    scopeId: scope.id,
    assemblyId: desk.assembly(name).id,
    order: 1,
    answers: {},
  });
  const [slab, wall] = scopes as [RecordOf<'scope'>, RecordOf<'scope'>];
  desk.change(slab, wall);
  desk.change(
    makeMark(desk.makeId, slab, desk.sheet, [
      [0, 0],
      [24, 0],
      [24, 30],
      [0, 30],
    ]),
  );
  desk.change(
    makeMark(desk.makeId, wall, desk.sheet, [
      [0, 0],
      [40, 0],
    ]),
  );
  const [forArea] = [...desk.job().assembly.values()].filter(({ measures }) => measures === 'area');
  const [forRun] = [...desk.job().assembly.values()].filter(({ measures }) => measures === 'run');
  if (forArea) desk.change(use(slab, forArea.name));
  if (forRun) desk.change(use(wall, forRun.name));
  return desk;
}

/** Any list of deeds, by number, place and amount. */
export const anyDeeds = fc.array(
  fc.tuple(fc.nat(DEEDS.length - 1), fc.nat(1000), fc.integer({ min: 1, max: 400 })),
  {
    minLength: 1,
    maxLength: 24,
  },
);

export type Deeds = readonly (readonly [what: number, pick: number, amount: number])[];

/** The busy desk after these deeds. */
export function deskAfter(list: Deeds): Desk {
  const desk = startBusyDesk();
  for (const [what, pick, amount] of list) doSomething(desk, what, pick, amount);
  return desk;
}
