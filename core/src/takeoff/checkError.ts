import { evaluateEntry } from '../formula/evaluateEntry.ts';
import { worldDistance } from '../geometry/ground.ts';
import { scaleAt } from '../job/scaleAt.ts';
import type { Sheet } from '../job/records/sheet.ts';
import { LENGTH } from '../units/dimension.ts';
import { POINT_FORMAT } from '../units/numberFormat.ts';
import { scaleError } from './scale.ts';

const KEPT = { ...POINT_FORMAT, group: '' } as const;

/** How far off a known dimension measures back, as a share; undefined when it was not checked. */
export function checkError(sheet: Sheet): number | undefined {
  const { check } = sheet;
  const scale = check === null ? undefined : scaleAt(sheet, check.a);
  if (scale === undefined || check === null) return undefined;
  const known = evaluateEntry(check.text, LENGTH, undefined, KEPT);
  return known.ok && known.value > 0
    ? scaleError(worldDistance(check.a, check.b, scale), known.value)
    : undefined;
}
