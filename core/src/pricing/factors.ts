import { COST_KINDS, type CostKind } from '../job/records/assembly.ts';
import type { Adjustment } from '../job/records/adjustment.ts';
import type { Region } from '../job/records/region.ts';

/** What the costs of a line are taken times, by kind. */
export type Factors = Readonly<Record<CostKind, number>>;

export const NO_FACTORS: Factors = { material: 1, labor: 1, equipment: 1, subcontract: 1, other: 1 };

export const factorsOfRegion = (region: Region | undefined): Factors =>
  region === undefined
    ? NO_FACTORS
    : { ...NO_FACTORS, material: region.material, labor: region.labor, equipment: region.equipment };

/** Percent changes one after the other: 10 % and 10 % more is 21 %. */
export function withAdjustments(factors: Factors, adjustments: readonly Adjustment[]): Factors {
  if (adjustments.length === 0) return factors;
  const result: Record<CostKind, number> = { ...factors };
  for (const { kinds, percent } of adjustments)
    for (const kind of COST_KINDS)
      if (kinds.includes(kind)) result[kind] *= 1 + Number(percent === '' ? 0 : percent) / 100;
  return result;
}
