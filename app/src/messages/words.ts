import { type Dimension, dimensionKey } from '@zest/core/units/dimension';
import type { MarkKind } from '@zest/core/job/markKinds';
import type { Measure } from '@zest/core/job/measures';
import type { CostKind } from '@zest/core/job/records/assembly';
import type { RecordType } from '@zest/core/job/id';
import type { MarkupBase } from '@zest/core/job/records/markup';
import { t } from './t.ts';

const DIMENSIONS: Readonly<Record<string, string>> = {
  '0.0.0.0': t('word.aPlainNumber'),
  '1.0.0.0': t('word.aLength'),
  '2.0.0.0': t('word.anArea'),
  '3.0.0.0': t('word.aVolume'),
  '0.1.0.0': t('word.aWeight'),
  '0.0.1.0': t('word.aTime'),
  '0.0.0.1': t('word.money'),
  '-1.0.0.0': t('word.aNumberPerLength'),
  '-1.1.0.0': t('word.aWeightPerLength'),
  '-2.1.0.0': t('word.aWeightPerArea'),
  '-3.1.0.0': t('word.aWeightPerVolume'),
  '-2.0.1.0': t('word.aTimePerArea'),
  '-3.0.1.0': t('word.aTimePerVolume'),
};

/** A dimension in words, with its article. */
export const describeDimension = (dimension: Dimension): string =>
  DIMENSIONS[dimensionKey(dimension)] ?? t('word.aMixedUnit');

export const MEASURE_WORDS: Readonly<Record<Measure, string>> = {
  length: t('word.length'),
  plan_length: t('word.lengthInPlan'),
  rises: t('word.rises'),
  turning: t('word.turning'),
  area: t('word.area'),
  perimeter: t('word.perimeter'),
  count: t('word.count'),
  slope_area: t('word.slopeArea'),
  eave: t('word.eave'),
  rake: t('word.rake'),
  ridge: t('word.ridge'),
  hip: t('word.hip'),
  valley: t('word.valley'),
  wall: t('word.atWall'),
  openings: t('word.openings'),
  openings_width: t('word.openingsWidth'),
  openings_area: t('word.openingsArea'),
  deducted_width: t('word.deductedWidth'),
  deducted_area: t('word.deductedArea'),
  net_length: t('word.netLength'),
  center_length: t('word.centerLength'),
  left_length: t('word.leftFace'),
  right_length: t('word.rightFace'),
  wall_area: t('word.wallArea'),
  net_wall_area: t('word.wallAreaNet'),
  net_area: t('word.netArea'),
  volume: t('word.volume'),
  ends: t('word.ends'),
  corners: t('word.corners'),
  tees: t('word.tees'),
  crossings: t('word.crossings'),
  bends: t('word.bends'),
};

interface KindWords {
  /** What a new scope of the kind is called, before its number. */
  readonly one: string;
  readonly many: string;
  /** What an assembly is made for. */
  readonly forMany: string;
  /** Properties that scopes of the kind usually have, offered by name. */
  readonly properties: readonly string[];
}

/** What each kind of mark is called. */
export const KIND_WORDS: Readonly<Record<MarkKind, KindWords>> = {
  run: {
    one: t('measure.run'),
    many: t('measure.kindRuns'),
    forMany: t('word.forRuns'),
    properties: [t('measure.height'), t('measure.thickness')],
  },
  area: {
    one: t('measure.area'),
    many: t('measure.kindAreas'),
    forMany: t('word.forAreas'),
    properties: [t('measure.depth')],
  },
  count: {
    one: t('measure.count'),
    many: t('measure.kindCounts'),
    forMany: t('word.forCounts'),
    properties: [t('measure.width'), t('measure.height')],
  },
  slope: {
    one: t('measure.roofSlope'),
    many: t('measure.roofSlopes'),
    forMany: t('word.forRoofSlopes'),
    properties: [],
  },
};

export const COST_WORDS: Readonly<Record<CostKind, string>> = {
  material: t('word.material'),
  labor: t('word.labor'),
  equipment: t('word.equipment'),
  subcontract: t('word.subcontract'),
  other: t('word.other'),
};

export const BASE_WORDS: Readonly<Record<MarkupBase, string>> = {
  cost: t('word.takenOnCost'),
  material: t('word.onMaterial'),
  labor: t('word.onLabor'),
  equipment: t('word.onEquipment'),
  subcontract: t('word.onSubcontracts'),
  other: t('word.onOtherCost'),
  running: t('word.onAllAbove'),
};

export const RECORD_WORDS: Readonly<Record<RecordType, string>> = {
  settings: t('word.jobSettings'),
  file: t('word.file'),
  sheet: t('word.sheet'),
  section: t('word.section'),
  scope: t('word.scope'),
  mark: t('word.mark'),
  opening: t('word.opening'),
  piece: t('word.typedPiece'),
  level: t('word.level'),
  schedule: t('word.schedule'),
  quantity: t('word.namedQuantity'),
  table: t('word.table'),
  difficulty: t('word.difficulty'),
  assembly: t('word.assembly'),
  use: t('word.appliedAssembly'),
  craft: t('word.craft'),
  item: t('word.priceBookItem'),
  line: t('word.line'),
  markup: t('word.markup'),
  crew: t('word.crew'),
  region: t('word.region'),
  adjustment: t('word.adjustment'),
  override: t('word.changedLine'),
  alternate: t('word.alternate'),
  package: t('word.package'),
  quote: t('word.quote'),
  yardstick: t('word.yardstick'),
  acceptance: t('word.acceptedDoubt'),
  zone: t('word.zone'),
  textBlock: t('word.textBlock'),
  document: t('word.document'),
  version: t('word.version'),
  request: t('word.request'),
  offer: t('word.offer'),
  purchaseOrder: t('word.purchaseOrder'),
  stock: t('word.stock'),
  logo: t('word.logo'),
  companyCopy: t('word.companyCopy'),
  report: t('word.report'),
};

export const plural = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`;

const SIZES = [
  [1024 ** 3, t('word.gB')],
  [1024 ** 2, t('word.mB')],
  [1024, t('word.kB')],
] as const;

/** How large a file is, in two or three digits: `640 kB`, `12 MB`, `3.4 GB`. */
export function fileSize(bytes: number): string {
  const [size, unit] = SIZES.find(([least]) => bytes >= least) ?? [1024, t('word.kB')];
  const value = bytes / size;
  return `${value < 10 && value % 1 >= 0.05 ? value.toFixed(1) : Math.round(value)} ${unit}`;
}
