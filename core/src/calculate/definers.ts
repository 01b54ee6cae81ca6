import { listPurchases } from '../estimate/purchases.ts';
import type { RecordType } from '../job/id.ts';
import type { Job } from '../job/job.ts';
import { NO_SECTION } from '../job/lineKey.ts';
import { query } from '../job/query.ts';
import type { Define } from './define.ts';
import { defineLine, definePackage } from './lines/line.ts';
import { definePurchase } from './lines/purchase.ts';
import { defineUse } from './lines/use.ts';
import { defineUseLines } from './lines/useLines.ts';
import { defineFiltered } from './sources/filtered.ts';
import { defineJunctions } from './sources/junctions.ts';
import { defineMark } from './sources/mark.ts';
import { defineOpening } from './sources/opening.ts';
import { definePiece } from './sources/piece.ts';
import { defineQuantity } from './sources/quantity.ts';
import { defineMeasures, defineProperties, defineShared } from './sources/scopeMeasures.ts';
import { groupsOfOwnRates } from './totals/groupsOfOwnRates.ts';
import { defineBid, defineGroup, defineScopeCost, defineSection } from './totals/sums.ts';
import { defineYardstick } from './totals/yardstick.ts';

/** Something that has figures, and which there are of it. */
export interface Definer {
  readonly name: string;
  readonly define: Define;
  /** One for each record of a type, for each that follows from the job, or for as long as its figure is read. */
  readonly each: RecordType | ((job: Job) => readonly string[]) | 'read';
}

const codes = query((job): readonly string[] => listPurchases(job).map(({ code }) => code));
const groups = query((job): readonly string[] => groupsOfOwnRates(job).map(({ group }) => group.id));

/** Totals with a filter: there while a formula reads them. */
export const FILTERED: Definer = { name: 'filtered', each: 'read', define: defineFiltered };

/** Everything that has figures. What others rest on comes first, so that building has little to put right. */
export const DEFINERS: readonly Definer[] = [
  { name: 'mark', each: 'mark', define: defineMark },
  { name: 'opening', each: 'opening', define: defineOpening },
  { name: 'piece', each: 'piece', define: definePiece },
  { name: 'shared', each: 'scope', define: defineShared },
  { name: 'measures', each: 'scope', define: defineMeasures },
  { name: 'junctions', each: 'scope', define: defineJunctions },
  { name: 'properties', each: 'scope', define: defineProperties },
  { name: 'quantity', each: 'quantity', define: defineQuantity },
  FILTERED,
  { name: 'figures', each: 'use', define: defineUse },
  { name: 'use', each: 'use', define: defineUseLines },
  { name: 'line', each: 'line', define: defineLine },
  { name: 'package', each: 'package', define: definePackage },
  { name: 'purchase', each: codes, define: definePurchase },
  { name: 'scope-cost', each: 'scope', define: defineScopeCost },
  { name: 'section', each: 'section', define: defineSection },
  { name: 'no-section', each: () => [NO_SECTION], define: defineSection },
  { name: 'group', each: groups, define: defineGroup },
  { name: 'bid', each: () => ['bid'], define: defineBid },
  { name: 'yardstick', each: 'yardstick', define: defineYardstick },
];
