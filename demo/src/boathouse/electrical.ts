import type { Feet, Place } from './building.ts';

/** A kind of light fixture with where it hangs. */
export interface Fixture {
  readonly tag: string;
  readonly name: string;
  readonly watts: number;
  readonly mounting: string;
  readonly places: readonly Place[];
}

const grid = (xs: readonly Feet[], ys: readonly Feet[]): readonly Place[] =>
  ys.flatMap((y) => xs.map((x): Place => [x, y]));

export const FIXTURES: readonly Fixture[] = [
  {
    tag: 'F1',
    name: 'High bay, round',
    watts: 120,
    mounting: 'Hung, 12 ft',
    places: grid([10, 31, 52], [12, 31, 50, 69]),
  },
  {
    tag: 'F2',
    name: 'Strip, 4 ft, open',
    watts: 40,
    mounting: 'Hung, 10 ft',
    places: grid([68, 78, 88, 98], [9, 21]),
  },
  {
    tag: 'F3',
    name: 'Strip, 4 ft, sealed',
    watts: 40,
    mounting: 'Ceiling',
    places: grid([109, 119], [8, 20]),
  },
  {
    tag: 'F4',
    name: 'Panel, 2 x 2 ft',
    watts: 36,
    mounting: 'In ceiling',
    places: [
      ...grid([67, 82], [38]),
      ...grid([82], [51]),
      ...grid([93, 106], [39]),
      ...grid([118], [39]),
      ...grid([99], [52]),
    ],
  },
  {
    tag: 'F5',
    name: 'Wall light',
    watts: 14,
    mounting: 'Wall, 7 ft',
    places: grid([66, 78, 90, 102, 114], [32.8]),
  },
  {
    tag: 'F6',
    name: 'Downlight, 6 in',
    watts: 18,
    mounting: 'In ceiling',
    places: [...grid([68, 77, 86], [63, 75]), ...grid([66, 72], [51]), ...grid([114, 120], [53])],
  },
  {
    tag: 'F7',
    name: 'Exit sign',
    watts: 4,
    mounting: 'Over door',
    places: [
      [79, 79],
      [64.2, 14],
      [122, 31],
      [20.5, 79.5],
      [64.2, 74],
    ],
  },
];

export const SWITCHES: readonly Place[] = [
  [60.5, 16],
  [63.5, 26],
  [103, 26],
  [66, 35.5],
  [90, 35.5],
  [75, 57.5],
  [94.5, 72],
  [122.5, 35.2],
];

export const RECEPTACLES: readonly Place[] = [
  ...grid([66, 76, 86, 96], [1.2]),
  [103, 12],
  [122.8, 12],
  [63.2, 40],
  [87, 44],
  [89.2, 50],
  [122.8, 43],
  [63.2, 66],
  [91.8, 66],
  [94.2, 62],
  [122.8, 70],
  [8, 1.2],
  [40, 80.8],
];

/** From the main board in the store to panel B in the workshop: at right angles, under the ceiling. */
export const FEEDER: readonly Place[] = [
  [121, 60],
  [121, 31],
  [64, 31],
  [64, 6],
];
/** Up from the board and down to the panel. */
export const FEEDER_RISE: Feet = 6;
