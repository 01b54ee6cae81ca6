import { type Dimension, dimensionKey } from '@zest/core/units/dimension';
import type { MarkKind } from '@zest/core/job/markKinds';
import type { Measure } from '@zest/core/job/measures';
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
  plan_length: 'length in plan',
  rises: 'rises',
  turning: 'turning',
  area: 'area',
  perimeter: 'perimeter',
  count: 'count',
  slope_area: 'slope area',
  eave: 'eave',
  rake: 'rake',
  ridge: 'ridge',
  hip: 'hip',
  valley: 'valley',
  wall: 'at wall',
  openings: 'openings',
  openings_width: 'openings, width',
  openings_area: 'openings, area',
  deducted_width: 'deducted, width',
  deducted_area: 'deducted, area',
  net_length: 'net length',
  center_length: 'center length',
  left_length: 'left face',
  right_length: 'right face',
  wall_area: 'wall area',
  net_wall_area: 'wall area, net',
  net_area: 'net area',
  volume: 'volume',
  ends: 'ends',
  corners: 'corners',
  tees: 'tees',
  crossings: 'crossings',
  bends: 'bends',
};

export const FOR_KIND_WORDS: Readonly<Record<MarkKind, string>> = {
  run: 'for runs',
  area: 'for areas',
  count: 'for counts',
  slope: 'for roof slopes',
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
  equipment: 'on equipment',
  subcontract: 'on subcontracts',
  other: 'on other cost',
  running: 'on all above',
};

export const RECORD_WORDS: Readonly<Record<string, string>> = {
  settings: 'job settings',
  file: 'file',
  sheet: 'sheet',
  section: 'section',
  scope: 'scope',
  mark: 'mark',
  opening: 'opening',
  piece: 'typed piece',
  level: 'level',
  schedule: 'schedule',
  quantity: 'named quantity',
  table: 'table',
  difficulty: 'difficulty',
  assembly: 'assembly',
  use: 'applied assembly',
  craft: 'craft',
  item: 'price book item',
  line: 'line',
  markup: 'markup',
  crew: 'crew',
  region: 'region',
  adjustment: 'adjustment',
  override: 'changed line',
  alternate: 'alternate',
  package: 'package',
  quote: 'quote',
  yardstick: 'yardstick',
  acceptance: 'accepted doubt',
};

export const plural = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`;

const SIZES = [
  [1024 ** 3, 'GB'],
  [1024 ** 2, 'MB'],
  [1024, 'kB'],
] as const;

/** How large a file is, in two or three digits: `640 kB`, `12 MB`, `3.4 GB`. */
export function fileSize(bytes: number): string {
  const [size, unit] = SIZES.find(([least]) => bytes >= least) ?? [1024, 'kB'];
  const value = bytes / size;
  return `${value < 10 && value % 1 >= 0.05 ? value.toFixed(1) : Math.round(value)} ${unit}`;
}
