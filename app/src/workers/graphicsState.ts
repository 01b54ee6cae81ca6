import type { Affine } from '@zest/core/geometry/affine';
import type { Clip } from '@zest/core/geometry/ink/painted';

/** What of the graphics state matters to what shows: lengths in the space of the moment. */
export interface GraphicsState {
  readonly matrix: Affine;
  readonly clips: readonly Clip[];
  readonly stroke: {
    /** Undefined where it is a pattern or nothing at all. */
    readonly color: number | undefined;
    readonly width: number;
    readonly cap: number;
    readonly dashed: boolean;
  };
  readonly fill: { readonly color: number | undefined; readonly alpha: number };
}

/** A page begins with black, one unit wide (ISO 32000-1, table 52). */
export const INITIAL: Omit<GraphicsState, 'matrix'> = {
  clips: [],
  stroke: { color: 0, width: 1, cap: 0, dashed: false },
  fill: { color: 0, alpha: 1 },
};

type Change = (state: GraphicsState, args: readonly unknown[]) => GraphicsState;

const stroked = (state: GraphicsState, change: Partial<GraphicsState['stroke']>): GraphicsState => ({
  ...state,
  stroke: { ...state.stroke, ...change },
});
const filled = (state: GraphicsState, change: Partial<GraphicsState['fill']>): GraphicsState => ({
  ...state,
  fill: { ...state.fill, ...change },
});

/** pdf.js gives colors as '#rrggbb', older ones as three numbers. */
function colorOf(args: readonly unknown[]): number | undefined {
  const [first, second, third] = args;
  if (typeof first === 'string')
    return /^#[\da-f]{6}$/i.test(first) ? parseInt(first.slice(1), 16) : undefined;
  if (typeof first !== 'number') return undefined;
  return (first << 16) | ((Number(second) & 255) << 8) | (Number(third) & 255);
}

const isDashed = (pattern: unknown): boolean =>
  Array.isArray(pattern) && pattern.some((each) => Number(each) > 0);

/** Operations of pdf.js that change the graphics state, by their names. */
export const STATE_OPERATIONS: Readonly<Record<string, Change>> = {
  setLineWidth: (state, [width]) => stroked(state, { width: Number(width) }),
  setLineCap: (state, [cap]) => stroked(state, { cap: Number(cap) }),
  setDash: (state, [pattern]) => stroked(state, { dashed: isDashed(pattern) }),
  setStrokeRGBColor: (state, args) => stroked(state, { color: colorOf(args) }),
  setFillRGBColor: (state, args) => filled(state, { color: colorOf(args) }),
  setStrokeColorN: (state) => stroked(state, { color: undefined }),
  setFillColorN: (state) => filled(state, { color: undefined }),
  setStrokeTransparent: (state) => stroked(state, { color: undefined }),
  setFillTransparent: (state) => filled(state, { color: undefined }),
  setGState: (state, [entries]) =>
    (entries as readonly (readonly [string, unknown])[]).reduce((now, [key, value]) => {
      const change = EXTENDED[key];
      return change === undefined ? now : change(now, value);
    }, state),
};

/** The same by a dictionary of the page. A line seen through is a line all the same. */
const EXTENDED: Readonly<Record<string, (state: GraphicsState, value: unknown) => GraphicsState>> = {
  LW: (state, value) => stroked(state, { width: Number(value) }),
  LC: (state, value) => stroked(state, { cap: Number(value) }),
  D: (state, value) => stroked(state, { dashed: isDashed((value as readonly unknown[])[0]) }),
  ca: (state, value) => filled(state, { alpha: Number(value) }),
};
