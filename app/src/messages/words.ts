import { type Dimension, dimensionKey } from '@zest/core/units/dimension';
import type { Measure } from '@zest/core/takeoff/measures';
import type { CostKind } from '@zest/core/job/records/assembly';
import type { MarkupBase } from '@zest/core/job/records/markup';

const DIMENSIONS: Readonly<Record<string, string>> = {
  '0.0.0.0': 'a plain number',
  '1.0.0.0': 'a length',
  '2.0.0.0': 'an area',
  '3.0.0.0': 'a volume',
  '0.1.0.0': 'a weight',
  '0.0.1.0': 'a time',
  '0.0.0.1': 'money',
  '-1.0.0.0': 'a number per length',
  '-1.1.0.0': 'a weight per length',
  '-2.1.0.0': 'a weight per area',
  '-3.1.0.0': 'a weight per volume',
  '-2.0.1.0': 'a time per area',
  '-3.0.1.0': 'a time per volume',
};

/** A dimension in words, with its article. */
export const describeDimension = (dimension: Dimension): string =>
  DIMENSIONS[dimensionKey(dimension)] ?? 'a mixed unit';

export const MEASURE_WORDS: Readonly<Record<Measure, string>> = {
  length: 'length',
  area: 'area',
  perimeter: 'perimeter',
  count: 'count',
  ends: 'ends',
  corners: 'corners',
  tees: 'tees',
  crossings: 'crossings',
};

export const COST_WORDS: Readonly<Record<CostKind, string>> = {
  material: 'Material',
  labor: 'Labor',
  equipment: 'Equipment',
  subcontract: 'Subcontract',
  other: 'Other',
};

export const BASE_WORDS: Readonly<Record<MarkupBase, string>> = {
  cost: 'on cost',
  material: 'on material',
  labor: 'on labor',
  running: 'on all above',
};

export const RECORD_WORDS: Readonly<Record<string, string>> = {
  settings: 'job settings',
  file: 'file',
  sheet: 'sheet',
  section: 'section',
  scope: 'scope',
  mark: 'mark',
  assembly: 'assembly',
  use: 'applied assembly',
  craft: 'craft',
  item: 'price book item',
  line: 'line',
  markup: 'markup',
};

export const plural = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`;
