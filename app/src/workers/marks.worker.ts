import { isPoints, isRing } from '@zest/core/job/markKinds';
import * as Comlink from 'comlink';
import RBush from 'rbush';
import { traceGlyph } from '../theme/glyphs.ts';
import { type Glyph, type Hatch, lookOf } from '../theme/scopeColors.ts';
import type { DrawnMark, DrawnStyle, MarksWorker, View } from './marksProtocol.ts';

interface Entry {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
  readonly mark: DrawnMark;
}

/** Long paths cost more than they save: rasterizing grows faster than their length. */
const MARKS_A_PATH = 16;
/** With more marks in view than this, they hide each other's dashes; each is drawn once, solid. */
const CROWDED = 20_000;
/** Room for line width and glyphs around a mark's points, in sheet points at scale 1. */
const REACH = 12;

const tree = new RBush<Entry>();
const entries = new Map<string, Entry>();
let styles = new Map<string, DrawnStyle>();
let labels: ReadonlyMap<string, string> = new Map();
const hatches = new Map<string, OffscreenCanvas>();

function entryOf(mark: DrawnMark): Entry {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const stroke of mark.strokes) {
    for (let i = 0; i < stroke.length; i += 2) {
      minX = Math.min(minX, stroke[i] as number);
      maxX = Math.max(maxX, stroke[i] as number);
      minY = Math.min(minY, stroke[i + 1] as number);
      maxY = Math.max(maxY, stroke[i + 1] as number);
    }
  }
  return { minX, minY, maxX, maxY, mark };
}

async function load(marks: readonly DrawnMark[]): Promise<void> {
  tree.clear();
  entries.clear();
  const all = marks.map(entryOf);
  for (const entry of all) entries.set(entry.mark.id, entry);
  tree.load(all);
}

async function change(put: readonly DrawnMark[], removed: readonly string[]): Promise<void> {
  for (const id of [...removed, ...put.map((mark) => mark.id)]) {
    const entry = entries.get(id);
    if (entry === undefined) continue;
    tree.remove(entry);
    entries.delete(id);
  }
  for (const mark of put) {
    const entry = entryOf(mark);
    entries.set(mark.id, entry);
    tree.insert(entry);
  }
}

async function style(list: readonly DrawnStyle[]): Promise<void> {
  styles = new Map(list.map((each) => [each.id, each]));
}

async function label(list: readonly (readonly [id: string, text: string])[]): Promise<void> {
  labels = new Map(list);
}

type Context = OffscreenCanvasRenderingContext2D;

async function draw(view: View, quality: 'quick' | 'proper', skip: readonly string[]): Promise<ImageBitmap> {
  const canvas = new OffscreenCanvas(view.width, view.height);
  const context = canvas.getContext('2d') as Context;
  const reach = REACH + 14 / view.scale;
  const seen = tree.search({
    minX: view.x - reach,
    minY: view.y - reach,
    maxX: view.x + view.width / view.scale + reach,
    maxY: view.y + view.height / view.scale + reach,
  });
  const skipped = new Set(skip);
  const byStyle = new Map<string, DrawnMark[]>();
  for (const { mark } of seen) {
    const look = styles.get(mark.styleId);
    if (look === undefined || look.hidden || skipped.has(mark.id)) continue;
    const list = byStyle.get(mark.styleId);
    if (list === undefined) byStyle.set(mark.styleId, [mark]);
    else list.push(mark);
  }
  const crowded = seen.length > CROWDED;
  for (const kind of ['area', 'slope', 'run', 'count'] as const) {
    for (const [styleId, marks] of byStyle) {
      const look = styles.get(styleId) as DrawnStyle;
      const ofKind = marks.filter((mark) => mark.kind === kind);
      context.globalAlpha = look.faint ? 0.25 : 1;
      for (let i = 0; i < ofKind.length; i += MARKS_A_PATH)
        drawBatch(context, view, ofKind.slice(i, i + MARKS_A_PATH), kind, look, quality, crowded);
    }
  }
  if (quality === 'proper')
    for (const [styleId, marks] of byStyle)
      for (const { openings } of marks)
        if (openings.length > 0)
          drawOpenings(context, view, openings, (styles.get(styleId) as DrawnStyle).color);
  if (quality === 'proper' && labels.size > 0 && !crowded)
    drawLabels(context, view, [...byStyle.values()].flat());
  const bitmap = canvas.transferToImageBitmap();
  return Comlink.transfer(bitmap, [bitmap]);
}

function drawBatch(
  context: Context,
  view: View,
  marks: readonly DrawnMark[],
  kind: DrawnMark['kind'],
  style: DrawnStyle,
  quality: 'quick' | 'proper',
  crowded: boolean,
): void {
  const look = lookOf(style.color);
  const glyph = style.sign?.glyph ?? look.glyph;
  context.beginPath();
  for (const { strokes } of marks)
    for (const stroke of strokes) {
      if (isPoints(kind)) traceGlyphs(context, view, stroke, glyph, style.sign);
      else traceStroke(context, view, stroke, isRing(kind));
    }
  context.strokeStyle = look.color;
  context.lineJoin = crowded ? 'bevel' : 'round';
  context.setLineDash([]);
  if (quality === 'quick') {
    context.lineWidth = 1;
    context.stroke();
    return;
  }
  if (isRing(kind)) fillArea(context, look.color, look.hatch);
  if (isPoints(kind)) {
    context.fillStyle = glyph === 'ring' || glyph === 'cross' ? 'rgba(255,255,255,0.75)' : look.color;
    context.fill();
    context.lineWidth = glyph === 'ring' || glyph === 'cross' ? 2.5 : 1;
    context.strokeStyle = glyph === 'ring' || glyph === 'cross' ? look.color : 'rgba(255,255,255,0.9)';
    context.stroke();
    return;
  }
  context.lineWidth = kind === 'run' && !crowded ? runWidth(view.scale) : 2;
  if (kind === 'run') {
    // A light ground under dashes, so that the wall below does not show through as a dash of its own.
    const alpha = context.globalAlpha;
    context.globalAlpha = alpha * 0.3;
    if (!crowded) context.stroke();
    context.globalAlpha = alpha * 0.9;
    if (!crowded)
      context.setLineDash(look.dash.map((length) => length * Math.max(0.6, context.lineWidth / 5)));
    context.stroke();
    context.globalAlpha = alpha;
    return;
  }
  context.stroke();
}

/** Where a mark's words stand: the middle of its longest piece, or the middle of a ring. */
function labelPlace({ kind, strokes }: DrawnMark): readonly [number, number] | undefined {
  const [stroke] = strokes;
  if (stroke === undefined || stroke.length < 2) return undefined;
  if (kind === 'count') return [stroke[0] as number, (stroke[1] as number) - REACH];
  if (kind !== 'run') {
    let [x, y] = [0, 0];
    for (let i = 0; i < stroke.length; i += 2) {
      x += stroke[i] as number;
      y += stroke[i + 1] as number;
    }
    return [(2 * x) / stroke.length, (2 * y) / stroke.length];
  }
  let longest = -1;
  let place: readonly [number, number] | undefined;
  for (let i = 2; i < stroke.length; i += 2) {
    const [ax, ay, bx, by] = stroke.subarray(i - 2, i + 2) as unknown as [number, number, number, number];
    const length = Math.hypot(bx - ax, by - ay);
    if (length <= longest) continue;
    longest = length;
    place = [(ax + bx) / 2, (ay + by) / 2];
  }
  return place;
}

const USUAL_LABEL_PX = 11;

function drawLabels(context: Context, view: View, marks: readonly DrawnMark[]): void {
  const { labelPx = USUAL_LABEL_PX } = view;
  /** Half the height a label takes, its halo included. */
  const reach = labelPx * 0.82;
  context.font = `600 ${labelPx}px "IBM Plex Sans", Arial, sans-serif`;
  context.textAlign = 'center';
  context.textBaseline = 'middle';
  context.lineJoin = 'round';
  context.lineWidth = labelPx * 0.36;
  context.strokeStyle = 'rgba(255,255,255,0.95)';
  context.fillStyle = '#18211C';
  const taken = new RBush<{ minX: number; maxX: number; minY: number; maxY: number }>();
  for (const mark of marks) {
    const text = labels.get(mark.id);
    const place = text === undefined ? undefined : labelPlace(mark);
    if (text === undefined || place === undefined) continue;
    const [x, y] = [(place[0] - view.x) * view.scale, (place[1] - view.y) * view.scale];
    // Words over words say nothing: the first stays, the others come when one zooms in.
    const half = context.measureText(text).width / 2 + 3;
    const box = { minX: x - half, maxX: x + half, minY: y - reach, maxY: y + reach };
    if (taken.collides(box)) continue;
    taken.insert(box);
    context.strokeText(text, x, y);
    context.fillText(text, x, y);
  }
}

/** Openings as light gaps across the run, framed in its color. */
function drawOpenings(context: Context, view: View, openings: Float32Array, color: number): void {
  const half = Math.max(4, runWidth(view.scale) * 0.9);
  context.setLineDash([]);
  context.lineWidth = 1.5;
  context.strokeStyle = lookOf(color).color;
  context.fillStyle = 'rgba(255,255,255,0.92)';
  for (let i = 0; i < openings.length; i += 5) {
    const [x = 0, y = 0, cosine = 1, sine = 0, reach = 0] = openings.subarray(i, i + 5);
    context.setTransform(cosine, sine, -sine, cosine, (x - view.x) * view.scale, (y - view.y) * view.scale);
    context.beginPath();
    context.rect(-reach * view.scale, -half, 2 * reach * view.scale, 2 * half);
    context.fill();
    context.stroke();
  }
  context.resetTransform();
}

/** Runs keep to a wall's width when zoomed in and to a readable line when zoomed out. */
const runWidth = (scale: number): number => Math.min(9, Math.max(3, scale * 4));

function traceStroke(context: Context, view: View, stroke: Float32Array, closed: boolean): void {
  for (let i = 0; i < stroke.length; i += 2) {
    const x = ((stroke[i] as number) - view.x) * view.scale;
    const y = ((stroke[i + 1] as number) - view.y) * view.scale;
    if (i === 0) context.moveTo(x, y);
    else context.lineTo(x, y);
  }
  if (closed) context.closePath();
}

function traceGlyphs(
  context: Context,
  view: View,
  points: Float32Array,
  glyph: Glyph,
  sign: DrawnStyle['sign'],
): void {
  const r =
    sign === undefined
      ? Math.min(11, Math.max(4.5, view.scale * 6))
      : Math.max(3, (sign.sizePt / 2) * view.scale);
  const turn = ((sign?.turnDeg ?? 0) * Math.PI) / 180;
  for (let i = 0; i < points.length; i += 2) {
    const x = ((points[i] as number) - view.x) * view.scale;
    const y = ((points[i + 1] as number) - view.y) * view.scale;
    traceGlyph(context, { x, y, r, turn }, glyph);
  }
}

function fillArea(context: Context, color: string, hatch: Hatch): void {
  const alpha = context.globalAlpha;
  context.globalAlpha = alpha * 0.16;
  context.fillStyle = color;
  context.fill('evenodd');
  if (hatch !== 'plain') {
    context.globalAlpha = alpha * 0.4;
    context.fillStyle = context.createPattern(hatchTile(color, hatch), 'repeat') as CanvasPattern;
    context.fill('evenodd');
  }
  context.globalAlpha = alpha;
}

function hatchTile(color: string, hatch: Hatch): OffscreenCanvas {
  const key = `${color} ${hatch}`;
  const known = hatches.get(key);
  if (known !== undefined) return known;
  const size = 12;
  const tile = new OffscreenCanvas(size, size);
  const context = tile.getContext('2d') as Context;
  context.strokeStyle = color;
  context.fillStyle = color;
  const line = (x1: number, y1: number, x2: number, y2: number): void => {
    context.beginPath();
    context.moveTo(x1, y1);
    context.lineTo(x2, y2);
    context.stroke();
  };
  const slant = (sign: 1 | -1): void => {
    for (const shift of [-size, 0, size])
      if (sign === 1) line(shift, size, shift + size, 0);
      else line(shift, 0, shift + size, size);
  };
  if (hatch === 'rising' || hatch === 'crossed') slant(1);
  if (hatch === 'falling' || hatch === 'crossed') slant(-1);
  if (hatch === 'level') line(0, size / 2, size, size / 2);
  if (hatch === 'upright') line(size / 2, 0, size / 2, size);
  if (hatch === 'dots') {
    context.beginPath();
    context.arc(size / 2, size / 2, 1.6, 0, 2 * Math.PI);
    context.fill();
  }
  hatches.set(key, tile);
  return tile;
}

const api: MarksWorker = { load, change, style, label, draw };
Comlink.expose(api);
