import type { Checks } from './check.ts';
import { CONCRETE_CHECKS, MASONRY_CHECKS } from './concreteChecks.ts';
import { ELECTRICAL_CHECKS } from './electricalChecks.ts';
import { BOARD_CHECKS, FRAMING_CHECKS } from './framingChecks.ts';
import { DEDUCTION_CHECKS, MONEY_CHECKS } from './moneyChecks.ts';
import { ROOF_CHECKS } from './roofChecks.ts';
import { EARTHWORK_CHECKS, IRRIGATION_CHECKS } from './siteChecks.ts';
import { STEEL_CHECKS } from './steelChecks.ts';
import { SHEET_CHECKS, UNIT_CHECKS } from './unitChecks.ts';

/** What the product vouches for: every figure from outside that it must come to. */
export const ALL_CHECKS: readonly Checks[] = [
  UNIT_CHECKS,
  SHEET_CHECKS,
  ROOF_CHECKS,
  CONCRETE_CHECKS,
  STEEL_CHECKS,
  MASONRY_CHECKS,
  FRAMING_CHECKS,
  BOARD_CHECKS,
  EARTHWORK_CHECKS,
  ELECTRICAL_CHECKS,
  IRRIGATION_CHECKS,
  DEDUCTION_CHECKS,
  MONEY_CHECKS,
];
