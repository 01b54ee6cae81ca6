import clipping from 'polygon-clipping';
import { type Bounds, boundsOf } from '../geometry/bounds.ts';
import { flattenPath } from '../geometry/path.ts';
import { type Point, distance, nearestOnSegment } from '../geometry/point.ts';
import { JOINING_PT } from '../geometry/tolerance.ts';
import type { Mark } from '../job/records/mark.ts';

export type Strokes = Mark['strokes'];
type Stroke = Strokes[number];
type Vertex = Stroke[number];

/** Moves every place of the strokes, the middles of arcs too. */
export const mapStrokes = (strokes: Strokes, move: (at: Point) => Point): Strokes =>
  strokes.map((stroke) =>
    stroke.map((vertex) => ({
      ...vertex,
      ...move(vertex),
      ...(vertex.through === undefined ? {} : { through: move(vertex.through) }),
    })),
  );

/** The middle of the box around some strokes: what turning and mirroring go about. */
export function middleOf(strokes: Strokes): Point {
  const { minX, minY, maxX, maxY }: Bounds = boundsOf(strokes.flat());
  return { x: (minX + maxX) / 2, y: (minY + maxY) / 2 };
}

/** Turned about a place, clockwise as seen on the sheet. */
export function turnStrokes(strokes: Strokes, about: Point, angleDeg: number): Strokes {
  const angle = (angleDeg * Math.PI) / 180;
  const [cosine, sine] = [Math.cos(angle), Math.sin(angle)];
  return mapStrokes(strokes, ({ x, y }) => {
    const [dx, dy] = [x - about.x, y - about.y];
    return { x: about.x + dx * cosine - dy * sine, y: about.y + dx * sine + dy * cosine };
  });
}

export const mirrorStrokes = (strokes: Strokes, about: Point, across: 'x' | 'y'): Strokes =>
  mapStrokes(strokes, ({ x, y }) => (across === 'x' ? { x: 2 * about.x - x, y } : { x, y: 2 * about.y - y }));

/** Walked the other way: what was left is right. Arcs keep their places. */
export const reverseStrokes = (strokes: Strokes): Strokes =>
  strokes.map((stroke) =>
    stroke
      .map((vertex, i): Vertex => {
        const { through: _own, ...rest } = vertex;
        const after = stroke[i + 1]?.through;
        return after === undefined ? rest : { ...rest, through: after };
      })
      .reverse(),
  );

/** A run cut at a vertex into two; undefined at its ends, where nothing would be left of one. */
export function splitStrokes(
  strokes: Strokes,
  stroke: number,
  index: number,
): readonly [Strokes, Strokes] | undefined {
  const cut = strokes[stroke];
  if (cut === undefined || index <= 0 || index >= cut.length - 1) return undefined;
  const [at, ...rest] = cut.slice(index) as [Vertex, ...Vertex[]];
  const { through: _before, ...start } = at;
  return [
    [...strokes.slice(0, stroke), cut.slice(0, index + 1)],
    [[start, ...rest], ...strokes.slice(stroke + 1)],
  ];
}

/** Two runs as one: end to end where their ends meet, else as strokes of one mark. */
export function joinStrokes(a: Strokes, b: Strokes): Strokes {
  const [last, first] = [a.at(-1) ?? [], b[0] ?? []];
  const options: readonly (readonly [Stroke, Stroke])[] = [
    [last, first],
    [last, reverseStrokes([first])[0] ?? []],
    [reverseStrokes([last])[0] ?? [], first],
    [reverseStrokes([last])[0] ?? [], reverseStrokes([first])[0] ?? []],
  ];
  for (const [head, tail] of options) {
    const [end, start] = [head.at(-1), tail[0]];
    if (end === undefined || start === undefined || distance(end, start) > JOINING_PT) continue;
    return [...a.slice(0, -1), [...head, ...tail.slice(1)], ...b.slice(1)];
  }
  return [...a, ...b];
}

/** Drops straight vertices that lie within `tolerancePt` of the line without them (Douglas and Peucker). */
export function simplifyStroke(stroke: Stroke, tolerancePt: number): Stroke {
  const [first, last] = [stroke[0], stroke.at(-1)];
  if (first === undefined || last === undefined || stroke.length < 3) return stroke;
  let far = { index: 0, away: tolerancePt };
  stroke.forEach((vertex, index) => {
    const fixed = vertex.riseM !== undefined || vertex.through !== undefined;
    const away = fixed ? Infinity : distance(vertex, nearestOnSegment(vertex, first, last).at);
    if (index > 0 && index < stroke.length - 1 && away > far.away) far = { index, away };
  });
  if (far.index === 0) return [first, last];
  const head = simplifyStroke(stroke.slice(0, far.index + 1), tolerancePt);
  return [...head, ...simplifyStroke(stroke.slice(far.index), tolerancePt).slice(1)];
}

/** How areas are put together: both, or the first without the second. */
export type AreaOperation = 'join' | 'subtract';

const ARC_PT = 0.05;

/** Two areas as one, by polygon clipping; arcs become fine straight pieces. Empty when nothing is left. */
export function combineAreas(a: Strokes, b: Strokes, operation: AreaOperation): Strokes {
  // A mark's rings are covered by the even-odd rule; each mark is settled before the two are combined.
  const settle = (strokes: Strokes): [number, number][][][] => {
    const [first, ...others] = strokes.map((ring): [number, number][][] => [
      flattenPath(ring, true, ARC_PT).map(({ x, y }): [number, number] => [x, y]),
    ]);
    return first === undefined ? [] : clipping.xor(first, ...others);
  };
  const result =
    operation === 'join' ? clipping.union(settle(a), settle(b)) : clipping.difference(settle(a), settle(b));
  return result.flatMap((polygon) => polygon.map((ring) => ring.slice(0, -1).map(([x, y]) => ({ x, y }))));
}
