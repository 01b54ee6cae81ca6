import { type Feet, type Place, box } from './building.ts';

const grid = (xs: readonly Feet[], ys: readonly Feet[]): readonly Place[] =>
  ys.flatMap((y) => xs.map((x): Place => [x, y]));

export const LAWNS: readonly (readonly Place[])[] = [box(132, 0, 214, 78), box(0, 90, 112, 118)];

const EAST_ROWS = [6, 22, 38, 54, 70] as const;
const SOUTH_ROWS = [96, 112] as const;

export const SPRINKLERS: readonly Place[] = [
  ...grid([138, 152, 166, 180, 194, 208], EAST_ROWS),
  ...grid([6, 26, 46, 66, 86, 106], SOUTH_ROWS),
];

/** Where the main comes in; its backflow preventer stands there. */
export const SUPPLY: Place = [126, -12];
const MAIN_X = 126;

/** Chains of pipe by their size in inches. */
export const PIPES: Readonly<Record<'1.5' | '1' | '0.75', readonly (readonly Place[])[]>> = {
  '1.5': [[SUPPLY, [MAIN_X, 112]]],
  '1': [
    ...EAST_ROWS.map((y): readonly Place[] => [
      [MAIN_X, y],
      [166, y],
    ]),
    ...SOUTH_ROWS.map((y): readonly Place[] => [
      [MAIN_X, y],
      [66, y],
    ]),
  ],
  '0.75': [
    ...EAST_ROWS.map((y): readonly Place[] => [
      [166, y],
      [208, y],
    ]),
    ...SOUTH_ROWS.map((y): readonly Place[] => [
      [66, y],
      [6, y],
    ]),
  ],
};

export const VALVES: readonly Place[] = [
  ...EAST_ROWS.map((y): Place => [130, y]),
  ...SOUTH_ROWS.map((y): Place => [122, y]),
];

export const PATH_WIDTH: Feet = 5;
/** Center lines of the paths; the laterals go under them in sleeves. */
export const PATHS: readonly (readonly Place[])[] = [
  [
    [173, -10],
    [173, 84],
  ],
  [
    [56, 82],
    [56, 124],
  ],
  [
    [124, 46],
    [173, 46],
  ],
];

/** Where a pipe goes under a path. */
export const SLEEVES: readonly Place[] = [
  ...EAST_ROWS.map((y): Place => [173, y]),
  ...SOUTH_ROWS.map((y): Place => [56, y]),
  [MAIN_X, 46],
];

export const TREES: readonly Place[] = [
  [145, -8],
  [160, -8],
  [188, -8],
  [204, -8],
  [222, 12],
  [222, 40],
  [222, 68],
  [-12, 100],
  [118, 122],
];

export const BED: readonly Place[] = box(132, -24, 214, -14);

export const chainLength = (chain: readonly Place[]): Feet =>
  chain.reduce((sum, [x, y], i) => {
    const before = chain[i - 1];
    return before === undefined ? 0 : sum + Math.hypot(x - before[0], y - before[1]);
  }, 0);
