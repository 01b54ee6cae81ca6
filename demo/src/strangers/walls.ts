import { MM, type Plan, type Spot, type WallPiece } from './plan.ts';

/** Content of a page in the operators of ISO 32000, in sheet points with y downward. */
export type Content = string;

const n = (value: number): string => value.toFixed(4);
export const lineOf = ([ax, ay]: Spot, [bx, by]: Spot): Content => `${n(ax)} ${n(ay)} m ${n(bx)} ${n(by)} l`;
export const boxOf = ([x0, y0]: Spot, [x1, y1]: Spot): Content =>
  `${n(x0)} ${n(y0)} ${n(x1 - x0)} ${n(y1 - y0)} re`;

/** A piece's two ends moved: past its nodes, or back from its jambs, by so much. */
export function stretched(piece: WallPiece, atNode: number, atJamb: number): readonly [Spot, Spot] {
  const [[ax, ay], [bx, by]] = [piece.from, piece.to];
  const length = Math.hypot(bx - ax, by - ay);
  const [ux, uy] = [(bx - ax) / length, (by - ay) / length];
  const [back, on] = [piece.nodeFrom ? atNode : atJamb, piece.nodeTo ? atNode : atJamb];
  return [
    [ax - ux * back, ay - uy * back],
    [bx + ux * on, by + uy * on],
  ];
}

/** The box a piece fills, to the far side of its nodes. */
export function bandOf(piece: WallPiece, thickness: number): readonly [Spot, Spot] {
  const half = thickness / 2;
  const [[ax, ay], [bx, by]] = stretched(piece, half, 0);
  return ay === by
    ? [
        [ax, ay - half],
        [bx, by + half],
      ]
    : [
        [ax - half, ay],
        [bx + half, by],
      ];
}

/** How a stranger draws walls. */
export const WALL_STYLES = {
  /** Each face a line of its own, with the jambs. */
  'two lines': ({ faces }: Plan) => `1.0 w 0 G ${faces.map(([a, b]) => lineOf(a, b)).join(' ')} S`,
  /** Each piece a box filled, overlapping where walls meet. */
  'filled bands': ({ pieces, thickness }: Plan) =>
    `0.25 g ${pieces.map((piece) => `${boxOf(...bandOf(piece, thickness))} f`).join('\n')}`,
  /** Each piece a stroke as wide as the wall. */
  'one thick stroke': ({ pieces, thickness }: Plan) =>
    `0.1 G ${n(thickness)} w 2 J ${pieces
      .map((piece) => `${lineOf(...stretched(piece, 0, -thickness / 2))} S`)
      .join('\n')} 0 J`,
  /** The walls in black, then thinner in white: what is left are their faces. */
  'black under white': ({ pieces, thickness }: Plan) => {
    const line = Math.min(0.25 * MM, thickness / 4);
    const strokes = (atJamb: number) =>
      pieces.map((piece) => `${lineOf(...stretched(piece, 0, atJamb))} S`).join('\n');
    return `2 J 0 G ${n(thickness)} w ${strokes(-thickness / 2)}
      1 G ${n(thickness - 2 * line)} w ${strokes(-thickness / 2)} 0 J`;
  },
  /** One block in black, the rooms and doors laid over it in white. */
  'white rooms': ({ box, rooms, doors, thickness }: Plan) => {
    const half = thickness / 2;
    const holes = doors.map(({ hinge: [ax, ay], strike: [bx, by] }) =>
      ay === by ? boxOf([ax, ay - half], [bx, by + half]) : boxOf([ax - half, ay], [bx + half, by]),
    );
    return `0.15 g ${boxOf([box.minX, box.minY], [box.maxX, box.maxY])} f 1 g
      ${rooms.map(({ min, max }) => `${boxOf(min, max)} f`).join('\n')} ${holes.map((hole) => `${hole} f`).join('\n')}`;
  },
  /** Gray poché with its outline as one path of each piece, fill and stroke, then the meetings filled again. */
  'outlined fills': ({ pieces, faces, thickness }: Plan) =>
    `0.8 g ${pieces.map((piece) => `${boxOf(...bandOf(piece, thickness))} f`).join('\n')}
      0 G 0.7 w 1 j ${faces.map(([a, b]) => `${lineOf(a, b)} S`).join('\n')} 0 j`,
} as const satisfies Readonly<Record<string, (plan: Plan) => Content>>;

export type WallStyle = keyof typeof WALL_STYLES;
