import type { Place } from './building.ts';
import { onSheet } from './plan.ts';
import { SHEET_SIZE } from '../drawing/titleBlock.ts';

/** How A-101 lies in its scan: turned on the glass, and stretched along the scanner's way. */
export const SCAN = { dpi: 200, turnDeg: 0.7, stretchX: 1.006 } as const;

/** A point of the sheet as it was drawn, on the scan; both in points from the upper left corner. */
export function onScan([x, y]: readonly [number, number]): readonly [number, number] {
  const [cx, cy] = [SHEET_SIZE.width / 2, SHEET_SIZE.height / 2];
  const angle = (SCAN.turnDeg * Math.PI) / 180;
  const [dx, dy] = [x - cx, y - cy];
  return [
    cx + SCAN.stretchX * (dx * Math.cos(angle) - dy * Math.sin(angle)),
    cy + dx * Math.sin(angle) + dy * Math.cos(angle),
  ];
}

/** A place of the building on the scan. */
export const placeOnScan = (place: Place): readonly [number, number] => onScan(onSheet(place));
