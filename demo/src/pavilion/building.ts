/**
 * The market roof in meters: x to the east from axis 1, y to the south from axis A. What is drawn and
 * what tests hold measured figures against both come from here.
 */
export type Place = readonly [x: number, y: number];

export const AXES_X: readonly number[] = [0, 6, 12, 18, 24, 30];
export const AXES_Y: readonly number[] = [0, 6, 12];
export const COLUMN = { side: 0.3, height: 3.6 } as const;
export const COLUMNS: readonly Place[] = AXES_Y.flatMap((y) => AXES_X.map((x): Place => [x, y]));

export interface PavilionBeam {
  readonly tag: string;
  readonly from: Place;
  readonly to: Place;
  readonly width: number;
  readonly depth: number;
}

/** Beams along every row of columns, and across at both ends. */
export const PAVILION_BEAMS: readonly PavilionBeam[] = [
  ...AXES_Y.map((y, i): PavilionBeam => ({
    tag: `T${i + 1}`,
    from: [0, y],
    to: [30, y],
    width: 0.3,
    depth: i === 1 ? 0.6 : 0.5,
  })),
  { tag: 'T4', from: [0, 0], to: [0, 12], width: 0.25, depth: 0.45 },
  { tag: 'T5', from: [30, 0], to: [30, 12], width: 0.25, depth: 0.45 },
];

/** A gable of 27 degrees over all, with an overhang of 1 m. */
export const OVERHANG = 1;
export const PITCH_DEG = 27;
export const ROOF_HALVES: readonly (readonly Place[])[] = [
  [
    [-1, -1],
    [31, -1],
    [31, 6],
    [-1, 6],
  ],
  [
    [-1, 6],
    [31, 6],
    [31, 13],
    [-1, 13],
  ],
];

/** Paving around the columns, with a tree pit left out. */
export const PAVING: readonly Place[] = [
  [-4, -3],
  [36, -3],
  [36, 15],
  [-4, 15],
];
export const TREE_PIT: readonly Place[] = [
  [32.5, 1],
  [34.5, 1],
  [34.5, 4],
  [32.5, 4],
];
export const PADS_SIDE = 1.2;
