import Flatbush from 'flatbush';
import type { Bounds } from '../bounds.ts';
import {
  type Clip,
  type Color,
  EVERYWHERE,
  PAPER,
  type PaintedPath,
  type Stroke,
  type Subpath,
  boundsOfFlat,
  boxHolds,
  brightness,
  clipsHold,
  commonBounds,
  ringsHold,
} from './painted.ts';
import { strokeOutline } from './strokeOutline.ts';

/** Strokes wider than this are bodies with two faces; up to it a line is where its middle is. 0.7 mm. */
export const BODY_PT = 2;
/** A white line is there to cover: from this width on it is a body as well. */
const WHITE_BODY_PT = 0.4;
const NEARLY_WHITE = 3 * 240;
/** A box filled no wider than this is a line. */
const LINE_BOX_PT = 1.2;

/** A closed region of one color. */
export interface Area {
  readonly order: number;
  readonly color: Color;
  readonly rings: readonly (readonly number[])[];
  readonly evenOdd: boolean;
  readonly clips: readonly Clip[];
  readonly bounds: Bounds;
}

/** A straight piece that may be seen: a thin line, or a side of an area. */
export interface Piece {
  readonly ax: number;
  readonly ay: number;
  readonly bx: number;
  readonly by: number;
  readonly order: number;
  /** The curve goes on there. */
  readonly bendsA: boolean;
  readonly bendsB: boolean;
  readonly clips: readonly Clip[];
  /** Only of a line. */
  readonly color: Color;
  readonly widthPt: number;
  /** Only of a side. */
  readonly area: Area | undefined;
}

/** What was painted as areas with their sides, and as thin lines. */
export function takeApart(paths: readonly PaintedPath[]): {
  readonly areas: readonly Area[];
  readonly sides: readonly Piece[];
  readonly lines: readonly Piece[];
} {
  const areas: Area[] = [];
  const sides: Piece[] = [];
  const lines: Piece[] = [];
  paths.forEach((path, order) => {
    takeFill(path, order, areas, sides, lines);
    const { stroke, subpaths, clips } = path;
    if (stroke === undefined) return;
    if (isBody(stroke)) takeBody(path, order, areas, sides);
    else
      for (const subpath of subpaths)
        takeSides(
          subpath,
          subpath.closed,
          { order, clips, color: stroke.color, widthPt: stroke.widthPt, area: undefined },
          lines,
        );
  });
  return { areas, sides, lines };
}

const isBody = ({ widthPt, color, dashed }: Stroke): boolean =>
  !dashed && widthPt > (brightness(color) >= NEARLY_WHITE ? WHITE_BODY_PT : BODY_PT);

type Common = Omit<Piece, 'ax' | 'ay' | 'bx' | 'by' | 'bendsA' | 'bendsB'>;

/** The straight pieces of a subpath, back to its start where it is closed. */
function takeSides({ at, bends }: Subpath, closed: boolean, common: Common, into: Piece[]): void {
  const count = at.length / 2;
  const last = closed && count > 2 ? count : count - 1;
  for (let i = 0; i < last; i += 1) {
    const j = (i + 1) % count;
    const [ax, ay, bx, by] = [at[2 * i], at[2 * i + 1], at[2 * j], at[2 * j + 1]] as [
      number,
      number,
      number,
      number,
    ];
    if (ax === bx && ay === by) continue;
    into.push({ ...common, ax, ay, bx, by, bendsA: bends.has(i), bendsB: bends.has(j) });
  }
}

function takeFill(path: PaintedPath, order: number, areas: Area[], sides: Piece[], lines: Piece[]): void {
  const { fill, stroke, clips } = path;
  if (fill === undefined) return;
  const subpaths = path.subpaths.filter(({ at }) => at.length >= 6);
  if (subpaths.length === 0) return;
  const line = stroke === undefined ? middleOfThinBox(subpaths) : undefined;
  if (line !== undefined) {
    const { at, widthPt } = line;
    const common = { order, clips, color: fill.color, widthPt, area: undefined };
    takeSides({ at, bends: new Set(), closed: false }, false, common, lines);
    return;
  }
  const rings = subpaths.map(({ at }) => at);
  const area = areaOf(rings, fill.evenOdd, fill.color, order, clips);
  if (area === undefined) return;
  if (fill.opaque) areas.push(area);
  const common = { order, clips, color: fill.color, widthPt: 0, area: fill.opaque ? area : undefined };
  if (!fill.opaque) {
    for (const each of subpaths) takeSides(each, true, common, lines);
    return;
  }
  for (const each of subpaths) takeSides(each, true, common, sides);
  // A clip shapes what is filled through it.
  for (const { rings: edges } of clips)
    if (edges.length * (edges[0]?.length ?? 0) <= CLIP_CORNERS)
      for (const at of edges)
        takeSides({ at, bends: new Set(), closed: true }, true, { ...common, clips: [] }, sides);
}

/** A clip of more corners, as of letters, gives no sides. */
const CLIP_CORNERS = 400;

function areaOf(
  rings: readonly (readonly number[])[],
  evenOdd: boolean,
  color: Color,
  order: number,
  clips: readonly Clip[],
): Area | undefined {
  const clipped = clips.reduce((box, { bounds }) => commonBounds(box, bounds), EVERYWHERE);
  const own = rings.map(boundsOfFlat).reduce((a, b) => ({
    minX: Math.min(a.minX, b.minX),
    minY: Math.min(a.minY, b.minY),
    maxX: Math.max(a.maxX, b.maxX),
    maxY: Math.max(a.maxY, b.maxY),
  }));
  const bounds = commonBounds(own, clipped);
  if (!(bounds.minX <= bounds.maxX && bounds.minY <= bounds.maxY)) return undefined;
  return { rings, evenOdd, color, order, clips, bounds };
}

/** The line a thin box stands for: some programs draw lines as boxes. */
function middleOfThinBox(subpaths: readonly Subpath[]): { at: number[]; widthPt: number } | undefined {
  const [only] = subpaths;
  if (subpaths.length !== 1 || only === undefined) return undefined;
  const { at } = only;
  if (at.length !== 8 && !(at.length === 10 && at[0] === at[8] && at[1] === at[9])) return undefined;
  const [ax, ay, bx, by, cx, cy, dx, dy] = at as unknown as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const [ab, bc] = [Math.hypot(bx - ax, by - ay), Math.hypot(cx - bx, cy - by)];
  const widthPt = Math.min(ab, bc);
  if (widthPt > LINE_BOX_PT || Math.max(ab, bc) < 4 * widthPt) return undefined;
  const mid = (p: number, q: number): number => (p + q) / 2;
  return ab < bc
    ? { at: [mid(ax, bx), mid(ay, by), mid(cx, dx), mid(cy, dy)], widthPt }
    : { at: [mid(bx, cx), mid(by, cy), mid(ax, dx), mid(ay, dy)], widthPt };
}

function takeBody(
  { stroke, subpaths, clips }: PaintedPath,
  order: number,
  areas: Area[],
  sides: Piece[],
): void {
  if (stroke === undefined) return;
  for (const subpath of subpaths)
    for (const quad of strokeOutline(subpath, stroke.widthPt, stroke.capPt)) {
      const area = areaOf([quad.ring], false, stroke.color, order, clips);
      if (area === undefined) continue;
      areas.push(area);
      const corner = (i: number): number => quad.ring[i % 8] as number;
      quad.sides.forEach((isSeen, i) => {
        if (!isSeen) return;
        const bends =
          i === 0
            ? [quad.bendsFrom, quad.bendsTo]
            : i === 2
              ? [quad.bendsTo, quad.bendsFrom]
              : [false, false];
        sides.push({
          ax: corner(2 * i),
          ay: corner(2 * i + 1),
          bx: corner(2 * i + 2),
          by: corner(2 * i + 3),
          order,
          clips,
          color: stroke.color,
          widthPt: 0,
          area,
          bendsA: bends[0] as boolean,
          bendsB: bends[1] as boolean,
        });
      });
    }
}

/** Which area lies uppermost at a place; undefined is bare paper. */
export interface Painting {
  readonly top: (x: number, y: number) => Area | undefined;
  readonly colorAt: (x: number, y: number) => Color;
  readonly meets: (box: Bounds) => boolean;
}

export function createPainting(areas: readonly Area[]): Painting {
  if (areas.length === 0) return { top: () => undefined, colorAt: () => PAPER, meets: () => false };
  const index = new Flatbush(areas.length);
  for (const { bounds } of areas) index.add(bounds.minX, bounds.minY, bounds.maxX, bounds.maxY);
  index.finish();
  const top = (x: number, y: number): Area | undefined => {
    let best: Area | undefined;
    index.search(x, y, x, y, (i) => {
      const area = areas[i] as Area;
      if (best !== undefined && area.order <= best.order) return false;
      if (
        boxHolds(area.bounds, x, y) &&
        ringsHold(area.rings, area.evenOdd, x, y) &&
        clipsHold(area.clips, x, y)
      )
        best = area;
      return false;
    });
    return best;
  };
  return {
    top,
    colorAt: (x, y) => top(x, y)?.color ?? PAPER,
    meets: ({ minX, minY, maxX, maxY }) => index.search(minX, minY, maxX, maxY).length > 0,
  };
}
