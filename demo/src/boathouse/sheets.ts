import type { Pen } from '../drawing/pen.ts';
import { drawTitleBlock } from '../drawing/titleBlock.ts';
import { drawCover } from './coverSheet.ts';
import { drawFoundation } from './foundationSheet.ts';
import { drawGroundFloor } from './groundFloorSheet.ts';
import { PLAN_SCALE } from './plan.ts';
import { drawSchedules } from './scheduleSheet.ts';

export interface DrawnSheet {
  readonly number: string;
  readonly title: string;
  readonly scale: string;
  readonly draw: (pen: Pen) => void;
}

const sheet = (number: string, title: string, scale: string, content: (pen: Pen) => void): DrawnSheet => ({
  number,
  title: title.replace('|', ' '),
  scale,
  draw: (pen) => {
    drawTitleBlock(pen, { number, title, scale });
    content(pen);
  },
});

/** The sheets of the bid set, in their order. */
export const BOATHOUSE_SHEETS: readonly DrawnSheet[] = [
  sheet('G-001', 'Cover', 'Not to scale', drawCover),
  sheet('A-101', 'Ground floor|plan', PLAN_SCALE, drawGroundFloor),
  sheet('A-601', 'Door, window and|finish schedules', 'Not to scale', drawSchedules),
  sheet('S-101', 'Foundation|plan', PLAN_SCALE, drawFoundation),
];
