import type { Tool } from '../../stores/viewStore.ts';
import { CROP, PART, SCHEDULE, STRAIGHTEN } from './boxed.ts';
import { COUNT } from './count.ts';
import { OPENING } from './opening.ts';
import { AREA, RUN, SLOPE } from './pen.ts';
import { SELECT } from './select.ts';
import type { ToolModule } from './tool.ts';
import { CHECK, LEVEL, SCALE } from './twoPoints.ts';

/** Every tool, in the order of the dock and of the keys. */
export const TOOLBOX: Readonly<Record<Tool, ToolModule>> = {
  select: SELECT,
  run: RUN,
  area: AREA,
  count: COUNT,
  slope: SLOPE,
  opening: OPENING,
  schedule: SCHEDULE,
  scale: SCALE,
  check: CHECK,
  straighten: STRAIGHTEN,
  level: LEVEL,
  crop: CROP,
  part: PART,
};
