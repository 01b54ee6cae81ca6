import { createChance } from '@zest/core/testing/job';
import {
  clippedHatch,
  dashedCenters,
  dimensions,
  doorSwings,
  furniture,
  longDiagonals,
  outlinedWords,
  patched,
} from './clutter.ts';
import { curvedCorners, curvedHall } from './curved.ts';
import { MM, type Plan, type Spot, createPlan, innerCorners } from './plan.ts';
import { type Content, WALL_STYLES, type WallStyle } from './walls.ts';

/** A sheet as somebody else draws it, with what a person sees on it. */
export interface StrangerSheet {
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly content: Content;
  /** Content of a layer that is switched off. */
  readonly hidden: Content;
  /** Where two faces of a room meet. */
  readonly corners: readonly Spot[];
  /** The middles of the doors. */
  readonly doors: readonly Spot[];
  /** Bare floor, well away from everything that shows. */
  readonly floor: readonly Spot[];
}

/** ISO A1, landscape. */
export const A1 = { width: 841 * MM, height: 594 * MM } as const;

interface Asked {
  readonly style: WallStyle;
  readonly thicknessMm: number;
  readonly turnDeg: number;
  readonly clutter: readonly (keyof typeof CLUTTER)[];
  /** Lines over the whole sheet: no floor is bare then. */
  readonly crossed?: boolean;
}

const CLUTTER = {
  hatch: { under: false, draw: clippedHatch },
  centers: { under: false, draw: dashedCenters },
  swings: { under: false, draw: doorSwings },
  dimensions: { under: false, draw: dimensions },
  furniture: { under: false, draw: furniture },
  patched: { under: true, draw: patched },
} as const satisfies Readonly<Record<string, { under: boolean; draw: (plan: Plan) => Content }>>;

const EVERYTHING = ['hatch', 'centers', 'swings', 'dimensions', 'furniture'] as const;

const SHEETS: readonly Asked[] = [
  { style: 'two lines', thicknessMm: 2, turnDeg: 0, clutter: EVERYTHING },
  { style: 'two lines', thicknessMm: 1, turnDeg: 17, clutter: ['patched', ...EVERYTHING] },
  { style: 'filled bands', thicknessMm: 2.4, turnDeg: 0, clutter: ['centers', 'swings', 'furniture'] },
  { style: 'filled bands', thicknessMm: 1.2, turnDeg: 33, clutter: ['patched', 'centers', 'dimensions'] },
  { style: 'one thick stroke', thicknessMm: 3, turnDeg: 0, clutter: ['centers', 'swings', 'dimensions'] },
  { style: 'one thick stroke', thicknessMm: 1.1, turnDeg: -21, clutter: ['patched', 'swings', 'furniture'] },
  { style: 'black under white', thicknessMm: 2.8, turnDeg: 0, clutter: EVERYTHING },
  { style: 'black under white', thicknessMm: 1.5, turnDeg: 45, clutter: ['swings', 'dimensions'] },
  { style: 'black under white', thicknessMm: 1, turnDeg: 0, clutter: ['furniture', 'dimensions'] },
  { style: 'white rooms', thicknessMm: 2, turnDeg: 0, clutter: ['patched', 'swings', 'furniture'] },
  { style: 'white rooms', thicknessMm: 1.3, turnDeg: 8, clutter: ['centers', 'dimensions'] },
  { style: 'outlined fills', thicknessMm: 2, turnDeg: 0, clutter: EVERYTHING, crossed: true },
  { style: 'outlined fills', thicknessMm: 1, turnDeg: -64, clutter: ['patched', 'swings', 'dimensions'] },
];

/** Every stranger's sheet; the same each time. */
export const strangerSheets = (): readonly StrangerSheet[] => SHEETS.map(drawSheet);

function drawSheet(asked: Asked, index: number): StrangerSheet {
  const { style, thicknessMm, turnDeg, crossed = false } = asked;
  const { width, height } = A1;
  const thickness = thicknessMm * MM;
  const seed = 11 + 7 * index;
  const plan = createPlan(seed, [0, 0], thickness);
  const hall = curvedHall(style, [plan.box.maxX + 40 * MM, 20 * MM], thickness);
  const turn = turning(turnDeg, plan, { width, height });
  const pick = (under: boolean): Content =>
    asked.clutter
      .filter((each) => CLUTTER[each].under === under)
      .map((each) => `q ${CLUTTER[each].draw(plan)} Q`)
      .join('\n');
  const words = plan.rooms.map(({ min, max }): Spot => [min[0] + 5, max[1] - 13]);
  const inside = [
    pick(true),
    `q ${WALL_STYLES[style](plan)} Q`,
    `q ${hall} Q`,
    pick(false),
    `q ${outlinedWords(words, seed)} Q`,
  ].join('\n');
  const diagonals = longDiagonals(width, height);
  return {
    name: `${style}, ${thicknessMm} mm, turned ${turnDeg}°${crossed ? ', crossed' : ''}`,
    width,
    height,
    content: `1 0 0 -1 0 ${height} cm ${crossed ? `q ${diagonals} Q` : ''} q ${turn.matrix} cm ${inside} Q`,
    hidden: `q 1 0 0 -1 0 ${height} cm ${diagonals} Q`,
    corners: [...innerCorners(plan), ...curvedCorners([plan.box.maxX + 40 * MM, 20 * MM], thickness)].map(
      turn.apply,
    ),
    doors: plan.doors.map(({ hinge, strike }): Spot =>
      turn.apply([(hinge[0] + strike[0]) / 2, (hinge[1] + strike[1]) / 2]),
    ),
    floor: crossed ? [] : bareFloor(plan, seed).map(turn.apply),
  };
}

/** The plan in the middle of the sheet, turned about its own middle. */
function turning(degrees: number, { box }: Plan, { width, height }: { width: number; height: number }) {
  const [cx, cy] = [(box.minX + box.maxX) / 2 + 40 * MM, (box.minY + box.maxY) / 2];
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  const [e, f] = [width / 2 - cos * cx + sin * cy, height / 2 - sin * cx - cos * cy];
  return {
    matrix: [cos, sin, -sin, cos, e, f].map((each) => each.toFixed(6)).join(' '),
    apply: ([x, y]: Spot): Spot => [cos * x - sin * y + e, sin * x + cos * y + f],
  };
}

/** Away from walls, words, furniture and the swings of doors. */
function bareFloor({ rooms, doors }: Plan, seed: number): readonly Spot[] {
  const chance = createChance(seed + 1);
  const isNear = ([x, y]: Spot): boolean =>
    doors.some(
      ({ hinge, strike }) => Math.hypot(x - (hinge[0] + strike[0]) / 2, y - (hinge[1] + strike[1]) / 2) < 60,
    );
  return rooms
    .filter((_, i) => i % 3 !== 1)
    .flatMap(({ min, max }) =>
      Array.from({ length: 6 }, (): Spot => [
        min[0] + 16 + (max[0] - min[0] - 32) * chance(),
        min[1] + 16 + (max[1] - min[1] - 46) * chance(),
      ]),
    )
    .filter((at) => !isNear(at));
}
