import { Calculation } from '../calculate/calculation.ts';
import { put } from '../job/change.ts';
import { applyDiff, settingsOf } from '../job/job.ts';
import type { RecordOf } from '../job/record.ts';
import { createTestJob, makeMark, makeScope } from './job.ts';

/** A slab and a wall by assemblies, lines by hand in and out of sections, one without a price. */
export function createPricedJob(): Calculation {
  const { job, makeId, sheet, sectionId, assembly } = createTestJob();
  const slab = makeScope(makeId, { key: 'slab', kind: 'area', sectionId: sectionId('03'), name: 'Slab' });
  const wall = makeScope(makeId, {
    key: 'wall',
    kind: 'run',
    sectionId: sectionId('04'),
    name: 'Wall',
    order: 2,
  });
  const use = (scope: RecordOf<'scope'>, name: string): RecordOf<'use'> => ({
    type: 'use',
    id: makeId('use'),
    scopeId: scope.id,
    assemblyId: assembly(name).id,
    order: 1,
    answers: {},
  });
  const line = (content: Partial<RecordOf<'line'>>): RecordOf<'line'> => ({
    type: 'line',
    id: makeId('line'),
    sectionId: null,
    order: 1,
    description: 'Line',
    quantity: '1',
    unit: 'sum',
    itemCode: '',
    typedCost: null,
    ...content,
  });
  const inner: RecordOf<'section'> = {
    type: 'section',
    id: makeId('section'),
    code: '03.1',
    name: 'Repairs',
    parentId: sectionId('03'),
    order: 1,
  };
  const command = put(
    slab,
    wall,
    inner,
    makeMark(makeId, slab, sheet, [
      [0, 0],
      [24, 0],
      [24, 30],
      [0, 30],
    ]),
    makeMark(makeId, wall, sheet, [
      [0, 0],
      [33.3, 0],
    ]),
    use(slab, 'Slab'),
    use(wall, 'Block'),
    line({ description: 'Permit', typedCost: { kind: 'other', amount: '1234.56' } }),
    line({
      description: 'Patch',
      sectionId: inner.id,
      typedCost: { kind: 'subcontract', amount: '333.33' },
      quantity: '3',
      unit: 'ea',
    }),
    line({ description: 'Not priced', sectionId: sectionId('03'), order: 9 }),
    { ...settingsOf(job), taxOnMaterials: '7.25' },
  );
  const diff = command(job);
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  return new Calculation(applyDiff(job, diff.value));
}
