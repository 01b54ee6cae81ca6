import { type Affine, applyAffine, composeAffine } from '@zest/core/geometry/affine';
import type { LineWork } from '@zest/core/geometry/snap';
import { type Clip, type PaintedPath, boundsOfFlat } from '@zest/core/geometry/ink/painted';
import { seenLines } from '@zest/core/geometry/ink/seenLines';
import { LIMITS } from '@zest/core/formats/limits';
import { type GraphicsState, INITIAL, STATE_OPERATIONS } from './graphicsState.ts';
import { readSubpaths } from './subpaths.ts';

/** The names of pdf.js's operations with their numbers. */
export type Operations = Readonly<Record<string, number>>;

export interface OperatorList {
  readonly fnArray: ArrayLike<number>;
  readonly argsArray: ArrayLike<unknown>;
}

/** Whether content of a layer shows, by the properties that name it. */
export type IsLayerOn = (properties: unknown) => boolean;

/** More segments than this are a picture drawn in vectors, not a plan; the rest is left out. */
export const SEGMENT_LIMIT: number = LIMITS.pdf.segments;

/** What shows of a page as straight pieces in sheet points; `viewport` takes page space to sheet points. */
export function extractLineWork(
  list: OperatorList,
  ops: Operations,
  viewport: Affine,
  isLayerOn: IsLayerOn,
): LineWork {
  const seen = seenLines(readPainted(list, ops, viewport, isLayerOn));
  const lines = new Float32Array(4 * seen.length);
  const bends = new Uint8Array(seen.length);
  seen.forEach(({ ax, ay, bx, by, bendsA, bendsB }, i) => {
    lines.set([ax, ay, bx, by], 4 * i);
    bends[i] = (bendsA ? 1 : 0) | (bendsB ? 2 : 0);
  });
  return { lines, bends };
}

/** How each way of painting a path strokes, fills and closes it. */
const PAINTS: Readonly<Record<string, { stroke?: true; fill?: true; evenOdd?: true; close?: true }>> = {
  stroke: { stroke: true },
  closeStroke: { stroke: true, close: true },
  fill: { fill: true },
  rawFillPath: { fill: true },
  eoFill: { fill: true, evenOdd: true },
  fillStroke: { stroke: true, fill: true },
  eoFillStroke: { stroke: true, fill: true, evenOdd: true },
  closeFillStroke: { stroke: true, fill: true, close: true },
  closeEOFillStroke: { stroke: true, fill: true, evenOdd: true, close: true },
  endPath: {},
};

interface Group {
  readonly matrix?: Affine | null;
  readonly bbox?: readonly number[] | null;
  readonly smask?: unknown;
}

/** Walks through a page's operations and keeps the paths it paints, in their order. */
class Reader {
  readonly painted: PaintedPath[] = [];
  state: GraphicsState;
  readonly #stack: GraphicsState[] = [];
  readonly #layers: boolean[] = [];
  #pendingClip: 'nonzero' | 'evenodd' | undefined;
  #segments = 0;
  readonly #viewport: Affine;

  constructor(viewport: Affine) {
    this.#viewport = viewport;
    this.state = { ...INITIAL, matrix: viewport };
  }

  get #shows(): boolean {
    return this.#layers.every(Boolean);
  }

  save(): void {
    this.#stack.push(this.state);
  }

  restore(): void {
    this.state = this.#stack.pop() ?? this.state;
  }

  transform(matrix: Affine): void {
    this.state = { ...this.state, matrix: composeAffine(this.state.matrix, matrix) };
  }

  beginForm(matrix: Affine | null, box: readonly number[] | null): void {
    this.save();
    if (matrix !== null) this.transform(matrix);
    if (box !== null) this.#clipToBox(box);
  }

  /** An annotation starts over from the page, in the box it stands in. */
  beginAnnotation(box: readonly number[] | null, transform: Affine, matrix: Affine): void {
    this.save();
    this.state = { ...INITIAL, matrix: this.#viewport };
    if (box !== null) this.#clipToBox(box);
    this.transform(transform);
    this.transform(matrix);
  }

  /** A group that is the mask of what follows paints nothing itself. */
  beginGroup({ matrix, bbox, smask }: Group): void {
    const { state } = this;
    this.save();
    if (bbox) {
      if (matrix) this.transform(matrix);
      this.#clipToBox(bbox);
      this.state = { ...this.state, matrix: state.matrix };
    }
    this.beginLayer(!smask);
  }

  endGroup(): void {
    this.restore();
    this.endLayer();
  }

  beginLayer(isOn: boolean): void {
    this.#layers.push(isOn);
  }

  endLayer(): void {
    this.#layers.pop();
  }

  clipNext(rule: 'nonzero' | 'evenodd'): void {
    this.#pendingClip = rule;
  }

  path(paint: (typeof PAINTS)[string], data: ArrayLike<number>): void {
    const { matrix, stroke, fill, clips } = this.state;
    const subpaths = readSubpaths(data, matrix, paint.close === true);
    if (this.#pendingClip !== undefined)
      this.#clipTo(
        subpaths.map(({ at }) => at),
        this.#pendingClip === 'evenodd',
      );
    this.#pendingClip = undefined;
    this.#segments += subpaths.reduce((sum, { at }) => sum + at.length / 2, 0);
    if (!this.#shows || this.#segments > SEGMENT_LIMIT) return;
    const strokes = paint.stroke === true && stroke.color !== undefined ? stroke : undefined;
    const fills = paint.fill === true && fill.color !== undefined ? fill : undefined;
    if (strokes === undefined && fills === undefined) return;
    const size = Math.sqrt(Math.abs(matrix[0] * matrix[3] - matrix[1] * matrix[2]));
    this.painted.push({
      subpaths,
      clips,
      stroke: strokes && {
        widthPt: strokes.width * size,
        color: strokes.color as number,
        capPt: strokes.cap === 0 ? 0 : (strokes.width * size) / 2,
        dashed: strokes.dashed,
      },
      fill: fills && {
        color: fills.color as number,
        opaque: fills.alpha > 0.98,
        evenOdd: paint.evenOdd === true,
      },
    });
  }

  #clipToBox([x0 = 0, y0 = 0, x1 = 0, y1 = 0]: readonly number[]): void {
    const { matrix } = this.state;
    const ring = [
      { x: x0, y: y0 },
      { x: x1, y: y0 },
      { x: x1, y: y1 },
      { x: x0, y: y1 },
    ].flatMap((at) => {
      const { x, y } = applyAffine(matrix, at);
      return [x, y];
    });
    this.#clipTo([ring], false);
  }

  #clipTo(rings: readonly (readonly number[])[], evenOdd: boolean): void {
    const bounds = boundsOfFlat(rings.flat());
    const clip: Clip = { rings, evenOdd, bounds };
    this.state = { ...this.state, clips: [...this.state.clips, clip] };
  }
}

type Step = (reader: Reader, args: unknown, isLayerOn: IsLayerOn) => void;

const STEPS: Readonly<Record<string, Step>> = {
  save: (reader) => reader.save(),
  restore: (reader) => reader.restore(),
  transform: (reader, args) => reader.transform(args as Affine),
  paintFormXObjectBegin: (reader, args) => {
    const [matrix, box] = args as readonly [Affine | null, readonly number[] | null];
    reader.beginForm(matrix, box ?? null);
  },
  paintFormXObjectEnd: (reader) => reader.restore(),
  beginGroup: (reader, args) => reader.beginGroup((args as readonly [Group])[0]),
  endGroup: (reader) => reader.endGroup(),
  beginAnnotation: (reader, args) => {
    const [, box, transform, matrix] = args as readonly [string, readonly number[] | null, Affine, Affine];
    reader.beginAnnotation(box, transform, matrix);
  },
  endAnnotation: (reader) => reader.restore(),
  beginMarkedContent: (reader) => reader.beginLayer(true),
  beginMarkedContentProps: (reader, args, isLayerOn) => {
    const [tag, properties] = args as readonly [string, unknown];
    reader.beginLayer(tag !== 'OC' || isLayerOn(properties));
  },
  endMarkedContent: (reader) => reader.endLayer(),
  clip: (reader) => reader.clipNext('nonzero'),
  eoClip: (reader) => reader.clipNext('evenodd'),
};

/** The paths a page paints, in sheet points and in their order, with what they are clipped to. */
export function readPainted(
  { fnArray, argsArray }: OperatorList,
  ops: Operations,
  viewport: Affine,
  isLayerOn: IsLayerOn,
): readonly PaintedPath[] {
  const byNumber = <T>(table: Readonly<Record<string, T>>): ReadonlyMap<number, T> =>
    new Map(
      Object.entries(table).flatMap(([name, each]) => (ops[name] === undefined ? [] : [[ops[name], each]])),
    );
  const [steps, states, paints] = [byNumber(STEPS), byNumber(STATE_OPERATIONS), byNumber(PAINTS)];
  const reader = new Reader(viewport);
  for (let i = 0; i < fnArray.length; i += 1) {
    const op = fnArray[i] as number;
    const args = argsArray[i];
    const change = states.get(op);
    if (op === ops.constructPath) {
      const [paint, paths] = args as readonly [number, readonly (ArrayLike<number> | null)[]];
      for (const path of paths) reader.path(paints.get(paint) ?? {}, path ?? []);
    } else if (change !== undefined) reader.state = change(reader.state, args as readonly unknown[]);
    else steps.get(op)?.(reader, args, isLayerOn);
  }
  return reader.painted;
}
