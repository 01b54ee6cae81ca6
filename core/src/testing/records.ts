import type { MakeId } from '../job/id.ts';
import type { RecordOf } from '../job/record.ts';

/** A maker of records of one type, plain but for what a test says of them. */
const makerOf =
  <
    Type extends 'alternate' | 'crew' | 'markup' | 'opening' | 'package' | 'quote' | 'region',
    Needed extends keyof RecordOf<Type>,
  >(
    type: Type,
    plain: Omit<RecordOf<Type>, 'type' | 'id' | Needed>,
  ) =>
  (makeId: MakeId, content: Partial<RecordOf<Type>> & Pick<RecordOf<Type>, Needed>): RecordOf<Type> =>
    ({ type, id: makeId(type), ...plain, ...content }) as RecordOf<Type>;

export const makeAlternate = makerOf<'alternate', never>('alternate', {
  name: 'Alternate',
  note: '',
  accepted: false,
  order: 1,
});

export const makeCrew = makerOf<'crew', 'members'>('crew', { name: 'Crew', machines: [], order: 1 });

/** Ten percent on all cost. */
export const makeMarkup = makerOf<'markup', never>('markup', {
  name: 'Markup',
  percent: '10',
  base: 'cost',
  order: 1,
});

/** Near the beginning of a run. */
export const makeOpening = makerOf<'opening', 'markId' | 'scopeId'>('opening', {
  tag: '',
  widthM: 0.9,
  heightM: 2,
  seat: { on: 'run', stroke: 0, along: 0.5 },
});

/** A subcontract for one sum, nothing asked yet and no quote taken. */
export const makePackage = makerOf<'package', never>('package', {
  name: 'Package',
  sectionId: null,
  order: 1,
  kind: 'subcontract',
  by: 'sum',
  asks: [],
  lines: [],
  takenId: null,
});

export const makeQuote = makerOf<'quote', 'packageId'>('quote', {
  company: 'Company',
  amount: '',
  date: '',
  validUntil: '',
  note: '',
  leftOut: {},
  adjustments: [],
  prices: {},
  order: 1,
});

/** A place where everything costs what it costs elsewhere. */
export const makeRegion = makerOf<'region', never>('region', {
  name: 'Region',
  material: 1,
  labor: 1,
  equipment: 1,
  order: 1,
});
