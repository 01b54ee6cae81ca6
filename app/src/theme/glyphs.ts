import type { Glyph } from '@zest/core/job/records/scope';

/** Corners of the shapes that have some, for a radius of one. */
export const GLYPH_CORNERS: Readonly<Partial<Record<Glyph, readonly (readonly [number, number])[]>>> = {
  square: [
    [-0.85, -0.85],
    [0.85, -0.85],
    [0.85, 0.85],
    [-0.85, 0.85],
  ],
  triangle: [
    [0, -1],
    [0.95, 0.75],
    [-0.95, 0.75],
  ],
  diamond: [
    [0, -1.1],
    [1.1, 0],
    [0, 1.1],
    [-1.1, 0],
  ],
};

export interface GlyphPlace {
  readonly x: number;
  readonly y: number;
  readonly r: number;
  /** Radians, clockwise as seen. */
  readonly turn: number;
}

type Tracer = Pick<Path2D, 'moveTo' | 'lineTo' | 'closePath' | 'arc'>;

/** Adds one count's shape to a path. */
export function traceGlyph(path: Tracer, { x, y, r, turn }: GlyphPlace, glyph: Glyph): void {
  const [cosine, sine] = [Math.cos(turn) * r, Math.sin(turn) * r];
  const at = (dx: number, dy: number): readonly [number, number] => [
    x + dx * cosine - dy * sine,
    y + dx * sine + dy * cosine,
  ];
  const shape = GLYPH_CORNERS[glyph];
  if (shape !== undefined) {
    shape.forEach(([dx, dy], i) => (i === 0 ? path.moveTo(...at(dx, dy)) : path.lineTo(...at(dx, dy))));
    path.closePath();
  } else if (glyph === 'cross') {
    path.moveTo(...at(-1, -1));
    path.lineTo(...at(1, 1));
    path.moveTo(...at(1, -1));
    path.lineTo(...at(-1, 1));
  } else {
    path.moveTo(x + r, y);
    path.arc(x, y, r, 0, 2 * Math.PI);
  }
}
