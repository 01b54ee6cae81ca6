import { createChance } from '@zest/core/testing/job';

/** Sheet points, 1/72 in from the top left corner, y downward. */
export type Spot = readonly [x: number, y: number];

/** One piece of a wall's center, from node to node or from a node to the jamb of a door. */
export interface WallPiece {
  readonly from: Spot;
  readonly to: Spot;
  /** The end stands at a node, where walls meet; otherwise at a jamb. */
  readonly nodeFrom: boolean;
  readonly nodeTo: boolean;
}

/** One face of a wall, from corner to corner. */
export type Face = readonly [Spot, Spot];

export interface Door {
  readonly hinge: Spot;
  readonly strike: Spot;
}

/** A storey of rooms between straight walls, all of one thickness. */
export interface Plan {
  readonly thickness: number;
  /** Outer faces. */
  readonly box: {
    readonly minX: number;
    readonly minY: number;
    readonly maxX: number;
    readonly maxY: number;
  };
  readonly pieces: readonly WallPiece[];
  readonly faces: readonly Face[];
  readonly doors: readonly Door[];
  readonly rooms: readonly { readonly min: Spot; readonly max: Spot }[];
  /** Grid lines, where dashed centers run. */
  readonly xs: readonly number[];
  readonly ys: readonly number[];
}

export const MM = 72 / 25.4;

const DOOR = 9 * MM;
/** A wall shorter than this has no door. */
const DOOR_NEEDS = 22 * MM;

function steps(from: number, count: number, chance: () => number): readonly number[] {
  const places = [from];
  for (let i = 0; i < count; i += 1) places.push((places.at(-1) as number) + (26 + 34 * chance()) * MM);
  return places;
}

/** Rooms in rows and columns, a door in most walls between them. The same seed gives the same plan. */
export function createPlan(seed: number, [left, top]: Spot, thickness: number, columns = 4, rows = 3): Plan {
  const chance = createChance(seed);
  const xs = steps(left, columns, chance);
  const ys = steps(top, rows, chance);
  const half = thickness / 2;
  const pieces: WallPiece[] = [];
  const faces: Face[] = [];
  const doors: Door[] = [];
  const rooms: { min: Spot; max: Spot }[] = [];
  const wall = (
    along: readonly number[],
    i: number,
    at: number,
    isInner: boolean,
    place: (s: number) => Spot,
  ) => {
    const [from, to] = [along[i] as number, along[i + 1] as number];
    if (!isInner || to - from < DOOR_NEEDS || chance() < 0.2) {
      pieces.push({ from: place(from), to: place(to), nodeFrom: true, nodeTo: true });
      return undefined;
    }
    const gap = from + (to - from - DOOR) * (0.3 + 0.4 * chance());
    pieces.push({ from: place(from), to: place(gap), nodeFrom: true, nodeTo: false });
    pieces.push({ from: place(gap + DOOR), to: place(to), nodeFrom: false, nodeTo: true });
    doors.push({ hinge: place(gap), strike: place(gap + DOOR) });
    return gap;
  };
  /** Both faces of a wall between two nodes, broken at its door, with the jambs. */
  const face = (
    from: number,
    to: number,
    gap: number | undefined,
    place: (s: number, off: number) => Spot,
  ) => {
    for (const off of [-half, half]) {
      if (gap === undefined) faces.push([place(from + half, off), place(to - half, off)]);
      else
        faces.push(
          [place(from + half, off), place(gap, off)],
          [place(gap + DOOR, off), place(to - half, off)],
        );
    }
    if (gap !== undefined)
      for (const jamb of [gap, gap + DOOR]) faces.push([place(jamb, -half), place(jamb, half)]);
  };
  ys.forEach((y, row) => {
    const isInner = row > 0 && row < rows;
    for (let i = 0; i < columns; i += 1) {
      const gap = wall(xs, i, y, isInner, (s) => [s, y]);
      face(xs[i] as number, xs[i + 1] as number, gap, (s, off) => [s, y + off]);
    }
  });
  xs.forEach((x, column) => {
    const isInner = column > 0 && column < columns;
    for (let i = 0; i < rows; i += 1) {
      const gap = wall(ys, i, x, isInner, (s) => [x, s]);
      face(ys[i] as number, ys[i + 1] as number, gap, (s, off) => [x + off, s]);
    }
  });
  for (let row = 0; row < rows; row += 1)
    for (let column = 0; column < columns; column += 1)
      rooms.push({
        min: [(xs[column] as number) + half, (ys[row] as number) + half],
        max: [(xs[column + 1] as number) - half, (ys[row + 1] as number) - half],
      });
  const box = {
    minX: left - half,
    minY: top - half,
    maxX: (xs.at(-1) as number) + half,
    maxY: (ys.at(-1) as number) + half,
  };
  // The outer face runs on where inner walls only meet it from within.
  return {
    thickness,
    box,
    pieces,
    faces: [...faces.filter(([a, b]) => !liesOutside(box, a, b)), ...outline(box)],
    doors,
    rooms,
    xs,
    ys,
  };
}

type Box = Plan['box'];

const liesOutside = ({ minX, minY, maxX, maxY }: Box, a: Spot, b: Spot): boolean =>
  [minX, maxX].some((x) => a[0] === x && b[0] === x) || [minY, maxY].some((y) => a[1] === y && b[1] === y);

function outline({ minX, minY, maxX, maxY }: Box): readonly Face[] {
  const ring: readonly Spot[] = [
    [minX, minY],
    [maxX, minY],
    [maxX, maxY],
    [minX, maxY],
  ];
  return ring.map((at, i) => [at, ring[(i + 1) % 4] as Spot]);
}

/** The four inner corners of every room. */
export const innerCorners = ({ rooms }: Plan): readonly Spot[] =>
  rooms.flatMap(({ min: [x0, y0], max: [x1, y1] }): readonly Spot[] => [
    [x0, y0],
    [x1, y0],
    [x1, y1],
    [x0, y1],
  ]);
