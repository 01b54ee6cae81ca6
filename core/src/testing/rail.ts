import type { RecordOf } from '../job/record.ts';
import type { Bench } from './priced.ts';

/** An assembly of one material, a foot for each foot, with what else is said of it. */
export function makeRail(
  bench: Bench,
  content: Partial<RecordOf<'assembly'>['components'][number]> = {},
): RecordOf<'assembly'> {
  const base = bench.assembly('Stud');
  const [component] = base.components;
  if (component === undefined) throw new Error('makeRail: no component');
  const { sizing: _sizing, labor: _labor, when: _when, ...plain } = component;
  return {
    ...base,
    id: bench.makeId('assembly'),
    name: 'Rail',
    inputs: [],
    inner: [],
    checks: [],
    note: '',
    section: [],
    components: [
      {
        ...plain,
        name: 'Rail',
        kind: 'material',
        unit: 'ft',
        formula: 'length',
        wastePercent: '',
        roundUpTo: '',
        itemCode: 'RAIL',
        ...content,
      },
    ],
  };
}
