import { type Bounds, joinBounds } from '../bounds.ts';
import { type PaintedPath, type Subpath, boundsOfFlat, boundsOfPath, boxHolds } from './painted.ts';

const PARALLEL_RAD = 0.005;

/** The largest letter, in sheet points: half an inch. */
const LETTER_PT = 30;
const LETTERS_IN_A_WORD = 3;

/**
 * Paths without what nobody snaps to: words written as outlines or as small strokes, and hatches. By rule, since
 * nothing in a drawing says so: a word is a run of small shapes beside each other, a hatch a run of
 * parallel lines at one spacing. Single strokes that together are a dashed line become that line.
 */
export const withoutWordsAndHatches = (paths: readonly PaintedPath[]): readonly PaintedPath[] =>
  withoutHatches(joinDashes(withoutStrokedWords(withoutOutlinedWords(paths))));

const sizeOf = ({ minX, minY, maxX, maxY }: Bounds): number => Math.max(maxX - minX, maxY - minY);

/** The clear way between two boxes, the longer of across and up. */
const gapBetween = (a: Bounds, b: Bounds): number =>
  Math.max(a.minX - b.maxX, b.minX - a.maxX, a.minY - b.maxY, b.minY - a.maxY);

const vertices = ({ at }: Subpath): number => at.length / 2;
/** A shape that is more than one box: hardly a pier of a wall. */
const looksLettered = ({ subpaths }: PaintedPath): boolean =>
  subpaths.length > 1 || subpaths.some((each) => each.bends.size > 0 || vertices(each) > 5);

/** Splits a list into runs: one goes on while `follows` says so. */
function runsOf<T>(list: readonly T[], follows: (a: T, b: T) => boolean): readonly (readonly T[])[] {
  const runs: T[][] = [];
  for (const each of list) {
    const run = runs.at(-1);
    const last = run?.at(-1);
    if (run !== undefined && last !== undefined && follows(last, each)) run.push(each);
    else runs.push([each]);
  }
  return runs;
}

function withoutOutlinedWords(paths: readonly PaintedPath[]): readonly PaintedPath[] {
  const boxed = paths.map((path) => ({ path, box: boundsOfPath(path) }));
  const isSmall = ({ path, box }: (typeof boxed)[number]): boolean =>
    path.fill !== undefined && sizeOf(box) <= LETTER_PT;
  const runs = runsOf(
    boxed,
    (a, b) =>
      isSmall(a) && isSmall(b) && gapBetween(a.box, b.box) <= 1.2 * Math.max(sizeOf(a.box), sizeOf(b.box)),
  );
  return runs.flatMap((run) => {
    const lettered = run.filter(({ path }) => looksLettered(path)).length;
    if (run.length >= LETTERS_IN_A_WORD && lettered * 3 >= run.length) return [];
    return run.map(({ path }) => path).filter((path) => !isWordInOnePath(path));
  });
}

/** A whole word as the parts of one path. */
function isWordInOnePath({ fill, subpaths }: PaintedPath): boolean {
  if (fill === undefined || subpaths.length < 2 * LETTERS_IN_A_WORD) return false;
  const boxes = subpaths.map(({ at }) => boundsOfFlat(at));
  const near = boxes.every((box, i) => {
    const last = boxes[i - 1];
    return (
      sizeOf(box) <= LETTER_PT &&
      (last === undefined || gapBetween(last, box) <= 1.2 * Math.max(sizeOf(last), sizeOf(box)))
    );
  });
  return (
    near && subpaths.filter((each) => each.bends.size > 0 || vertices(each) > 5).length * 3 >= boxes.length
  );
}

/** Letters of single strokes are no larger than this, and a word has this many strokes or more. */
const STROKE_LETTER_PT = 9;
const STROKES_IN_A_WORD = 8;
const STROKE_GAP_PT = 5;

function withoutStrokedWords(paths: readonly PaintedPath[]): readonly PaintedPath[] {
  const boxed = paths.map((path) => ({ path, box: boundsOfPath(path) }));
  const isSmall = ({ path, box }: (typeof boxed)[number]): boolean =>
    path.fill === undefined && path.stroke !== undefined && sizeOf(box) <= STROKE_LETTER_PT;
  const runs = runsOf(boxed, (a, b) => isSmall(a) && isSmall(b) && gapBetween(a.box, b.box) <= STROKE_GAP_PT);
  return runs.flatMap((run) => {
    const directions = new Set(run.flatMap(({ path }) => path.subpaths.map(directionOf)));
    const whole = run.map(({ box }) => box).reduce(joinBounds);
    const isWord =
      run.length >= STROKES_IN_A_WORD && directions.size >= 3 && sizeOf(whole) >= 2 * STROKE_LETTER_PT;
    return isWord ? [] : run.map(({ path }) => path);
  });
}

/** Of a subpath's first stroke, in steps of fifteen degrees. */
function directionOf({ at: [ax = 0, ay = 0, bx = 0, by = 0] }: Subpath): number {
  return Math.round((angleOf(ax, ay, bx, by) * 12) / Math.PI) % 12;
}

/** Of a line, from just below 0 to just below π: it has no sense. */
function angleOf(ax: number, ay: number, bx: number, by: number): number {
  const angle = (Math.atan2(by - ay, bx - ax) + Math.PI) % Math.PI;
  return angle > Math.PI - PARALLEL_RAD ? angle - Math.PI : angle;
}

/** A path that is one straight line. */
const straightOf = ({ fill, stroke, subpaths }: PaintedPath): readonly number[] | undefined => {
  const [only] = subpaths;
  return fill === undefined && stroke !== undefined && subpaths.length === 1 && only?.at.length === 4
    ? only.at
    : undefined;
};

/** Dashes that were drawn one by one, with gaps no longer than this. */
const DASH_GAP_PT = 6;
const DASHES = 4;
/** What lies this little off a line is on it. */
const ON_LINE_PT = 0.05;

function joinDashes(paths: readonly PaintedPath[]): readonly PaintedPath[] {
  return runsOf(paths, continues).flatMap((run): readonly PaintedPath[] => {
    const [first, last] = [run[0], run.at(-1)];
    const [from, to] = [first && straightOf(first), last && straightOf(last)];
    if (run.length < DASHES || first === undefined || from === undefined || to === undefined) return run;
    const at = [from[0] as number, from[1] as number, to[2] as number, to[3] as number];
    return [{ ...first, subpaths: [{ at, bends: new Set(), closed: false }] }];
  });
}

/** A dash in line with another, a short gap on. */
function continues(a: PaintedPath, b: PaintedPath): boolean {
  const [p, q] = [straightOf(a), straightOf(b)];
  if (p === undefined || q === undefined || a.stroke?.color !== b.stroke?.color) return false;
  const [ax, ay, bx, by] = p as [number, number, number, number];
  const [cx, cy, dx, dy] = q as [number, number, number, number];
  const length = Math.hypot(bx - ax, by - ay);
  if (length === 0) return false;
  const [ux, uy] = [(bx - ax) / length, (by - ay) / length];
  const gap = (cx - bx) * ux + (cy - by) * uy;
  const off = (x: number, y: number): number => Math.abs((x - ax) * uy - (y - ay) * ux);
  return gap > 0.3 && gap <= DASH_GAP_PT && off(cx, cy) <= ON_LINE_PT && off(dx, dy) <= ON_LINE_PT;
}

const HATCH_LINES = 8;
/** Lines at one spacing up to this are a hatch; up to the wider one only where a clip cuts them. */
const HATCH_SPACING_PT = 6;
const CLIPPED_SPACING_PT = 30;

interface Ruled {
  readonly path: number;
  readonly subpath: number;
  readonly angle: number;
  /** From the sheet's corner, square to the line. */
  readonly off: number;
  /** A clip cuts it. */
  readonly isCut: boolean;
}

function withoutHatches(paths: readonly PaintedPath[]): readonly PaintedPath[] {
  const out = new Set<string>();
  for (const run of hatchesOf(ruledLines(paths)))
    for (const { path, subpath } of run) out.add(`${path} ${subpath}`);
  if (out.size === 0) return paths;
  return paths.map((path, i) => ({
    ...path,
    subpaths: path.subpaths.filter((_, j) => !out.has(`${i} ${j}`)),
  }));
}

function ruledLines(paths: readonly PaintedPath[]): readonly Ruled[] {
  const ruled: Ruled[] = [];
  paths.forEach(({ fill, stroke, subpaths, clips }, path) => {
    if (fill !== undefined || stroke === undefined) return;
    subpaths.forEach(({ at, closed }, subpath) => {
      if (at.length !== 4 || closed) return;
      const [ax, ay, bx, by] = at as [number, number, number, number];
      const angle = angleOf(ax, ay, bx, by);
      const isCut = clips.some(({ bounds }) => !boxHolds(bounds, ax, ay) || !boxHolds(bounds, bx, by));
      ruled.push({ path, subpath, angle, off: ay * Math.cos(angle) - ax * Math.sin(angle), isCut });
    });
  });
  return ruled;
}

/** Runs of parallel lines that follow each other at one spacing. */
function hatchesOf(ruled: readonly Ruled[]): readonly (readonly Ruled[])[] {
  const found: Ruled[][] = [];
  let run: Ruled[] = [];
  let step = 0;
  const end = (): void => {
    const cut = run.filter(({ isCut }) => isCut).length;
    const widest = 2 * cut >= run.length ? CLIPPED_SPACING_PT : HATCH_SPACING_PT;
    if (run.length >= HATCH_LINES && step <= widest) found.push(run);
  };
  for (const line of ruled) {
    const last = run.at(-1);
    const isParallel = last !== undefined && Math.abs(last.angle - line.angle) < PARALLEL_RAD;
    const next = last === undefined ? 0 : Math.abs(line.off - last.off);
    const isNext =
      isParallel && next > 0.3 && (run.length === 1 || Math.abs(next - step) < 0.05 + 0.04 * step);
    if (isNext) {
      step = next;
      run.push(line);
    } else {
      end();
      run = isParallel && last !== undefined && next > 0.3 ? [last, line] : [line];
      step = next;
    }
  }
  end();
  return found;
}
