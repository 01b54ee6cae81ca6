import { OFFICE_REPORTS } from '../boathouse/reports.ts';
import { type Id, createIdMaker } from '@zest/core/job/id';
import { type Job, settingsOf } from '@zest/core/job/job';
import { put } from '@zest/core/job/change';
import type { JobRecord, RecordOf } from '@zest/core/job/record';
import { startJob } from '@zest/core/library/startJob';
import { addPriceBook } from '../boathouse/pricing.ts';
import { change, derive } from '../derive.ts';
import { DEMO_MARKUPS, createChance, finishJob, withOwnPrices } from '../finishJob.ts';

type Measured = readonly [
  key: string,
  name: string,
  kind: 'run' | 'area' | 'count',
  section: string,
  text: string,
  unit: string,
];

/** What was read off the old drawings, as it was typed then. */
const MEASURED: readonly Measured[] = [
  ['slab', 'Slab on grade', 'area', '03', '2160', 'ft²'],
  ['footing', 'Strip footing', 'run', '03', '192', 'ft'],
  ['stud_walls', 'Stud walls, 9 ft', 'run', '06', '248', 'ft'],
  ['stores', 'Store doors', 'count', '08', '6', ''],
];

/** A finished earlier job, smaller than the boathouse: lines are copied from it. */
export function createHeronJob(): Job {
  const makeId = createIdMaker(createChance(19980412));
  const started = startJob(
    {
      name: 'Heron Slip Boat Store',
      client: 'Heron Slip Sailing Club',
      unitSystem: 'us',
      currency: 'USD',
      decimalMark: '.',
      groupMark: ',',
      markups: DEMO_MARKUPS,
    },
    makeId,
  );
  const section = (code: string): Id<'section'> => {
    const found = started.find((record) => record.type === 'section' && record.code === code);
    if (found === undefined) throw new Error(`createHeronJob: no section ${code}`);
    return found.id as Id<'section'>;
  };
  const measured = MEASURED.flatMap(([key, name, kind, code, text, unit], at): readonly JobRecord[] => {
    const id = makeId('scope');
    return [
      {
        type: 'scope',
        id,
        key,
        name,
        kind,
        color: at,
        sectionId: section(code),
        order: at + 1,
        properties:
          kind === 'run' && key === 'stud_walls'
            ? [{ key: 'height', name: 'Height', value: '9', unit: 'ft' }]
            : [],
      },
      {
        type: 'piece',
        id: makeId('piece'),
        scopeId: id,
        text,
        unit,
        note: 'From the sheets',
        source: 'typed',
        order: 1,
      },
    ];
  });
  const line = (
    order: number,
    code: string,
    description: string,
    quantity: string,
    unit: string,
    itemCode: string,
    content: Partial<RecordOf<'line'>> = {},
  ): RecordOf<'line'> => ({
    type: 'line',
    id: makeId('line'),
    sectionId: section(code),
    order,
    description,
    quantity,
    unit,
    itemCode,
    typedCost: null,
    ...content,
  });
  const job = finishJob([
    ...OFFICE_REPORTS,
    ...started.map((record) =>
      record.type === 'settings'
        ? {
            ...record,
            company: 'Quillfeather Builders',
            location: 'Heron Slip',
            taxOnMaterials: '7.5',
            bidDate: '2025-04-30',
          }
        : record,
    ),
    ...measured,
    line(1, '02', 'Silt fence at the slip', '180', 'ft', 'SW-SILT'),
    line(2, '02', 'Temporary access mats', '40', 'ea', '', { costs: { material: '46', labor: '8.5' } }),
    line(3, '03', 'Isolation joint at columns', '96', 'ft', 'CN-JF'),
    line(4, '08', 'Store doors, single', 'count(stores)', 'ea', 'OP-DR-3W'),
    line(5, '08', 'Hardware sets', 'count(stores)', 'set', 'OP-HDW'),
    line(6, '09', 'Rubber floor at the entry', '140', 'ft²', 'BD-RUB'),
  ]);
  const [area, run] = [
    [...job.assembly.values()].find(({ measures, name }) => measures === 'area' && /slab/i.test(name)),
    [...job.assembly.values()].find(
      ({ measures, name }) => measures === 'run' && /stud|partition/i.test(name),
    ),
  ];
  const use = (key: string, assembly: RecordOf<'assembly'> | undefined): JobRecord[] => {
    const scope = [...job.scope.values()].find((each) => each.key === key);
    if (scope === undefined || assembly === undefined) throw new Error(`createHeronJob: nothing for ${key}`);
    return [
      {
        type: 'use',
        id: makeId('use'),
        scopeId: scope.id,
        assemblyId: assembly.id,
        order: 1,
        answers: {},
      },
    ];
  };
  const derived = derive(change(job, put(...use('slab', area), ...use('stud_walls', run))), [], makeId);
  const crafts = [...derived.craft.values()];
  const further = (['Pipe fitter', 'Electrician'] as const)
    .filter((name) => !crafts.some((each) => each.name === name))
    .map((name): JobRecord => ({ type: 'craft', id: makeId('craft'), name, wage: '58.00' }));
  const priced = addPriceBook(change(derived, put(...further)), makeId);
  return withOwnPrices(change(priced, put({ ...settingsOf(priced) })));
}
