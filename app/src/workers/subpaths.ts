import type { Affine } from '@zest/core/geometry/affine';
import type { Subpath } from '@zest/core/geometry/ink/painted';

/** How far a chord may stand off its curve, in sheet points. */
const CHORD_PT = 0.04;
const MOST_PIECES = 64;

/** Collects the parts of a path, moved to sheet points. */
class Subpaths {
  readonly done: Subpath[] = [];
  #at: number[] = [];
  #bends = new Set<number>();
  readonly #matrix: Affine;

  constructor(matrix: Affine) {
    this.#matrix = matrix;
  }

  #place(x: number, y: number): readonly [number, number] {
    const [a, b, c, d, e, f] = this.#matrix;
    return [a * x + c * y + e, b * x + d * y + f];
  }

  move(x: number, y: number): void {
    this.end(false);
    this.#at = [...this.#place(x, y)];
  }

  line(x: number, y: number): void {
    const [sx, sy] = this.#place(x, y);
    const at = this.#at;
    if (at.length === 0 || at[at.length - 2] !== sx || at[at.length - 1] !== sy) at.push(sx, sy);
  }

  /** In pieces as many as the curve needs; where they meet, nothing turns. */
  curve(x1: number, y1: number, x2: number, y2: number, x3: number, y3: number): void {
    const at = this.#at;
    const [ax, ay] = [at[at.length - 2] ?? 0, at[at.length - 1] ?? 0];
    const [[bx, by], [cx, cy], [dx, dy]] = [this.#place(x1, y1), this.#place(x2, y2), this.#place(x3, y3)];
    // The most a cubic stands off n chords: its second differences over 8 n², times three quarters of 6.
    const bulge = Math.max(
      Math.hypot(ax - 2 * bx + cx, ay - 2 * by + cy),
      Math.hypot(bx - 2 * cx + dx, by - 2 * cy + dy),
    );
    const pieces = Math.min(MOST_PIECES, Math.max(1, Math.ceil(Math.sqrt((0.75 * bulge) / CHORD_PT))));
    for (let i = 1; i <= pieces; i += 1) {
      const t = i / pieces;
      const s = 1 - t;
      const [p, q, r, u] = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t];
      at.push(p * ax + q * bx + r * cx + u * dx, p * ay + q * by + r * cy + u * dy);
      if (i < pieces) this.#bends.add(at.length / 2 - 1);
    }
  }

  end(closed: boolean): void {
    const at = this.#at;
    // A path may come back to its start and then be closed: the last point is the first.
    if (closed && at.length > 4 && at[0] === at[at.length - 2] && at[1] === at[at.length - 1]) at.length -= 2;
    if (at.length >= 4) this.done.push({ at, bends: this.#bends, closed });
    const start = at.slice(0, 2);
    this.#bends = new Set();
    this.#at = closed ? start : [];
  }
}

/**
 * The parts of a path in sheet points, from pdf.js's flat stream: 0 move, 1 line, 2 cubic, 3 quadratic,
 * 4 close. Every part is closed at the end where the way of painting says so.
 */
export function readSubpaths(data: ArrayLike<number>, matrix: Affine, closes: boolean): readonly Subpath[] {
  const parts = new Subpaths(matrix);
  const n = (i: number): number => data[i] ?? 0;
  let [x, y] = [0, 0];
  for (let i = 0; i < data.length;) {
    const step = LENGTHS[n(i)];
    if (step === undefined) break;
    const [px, py] = [x, y];
    if (step > 1) [x, y] = [n(i + step - 2), n(i + step - 1)];
    if (data[i] === 0) parts.move(x, y);
    else if (data[i] === 1) parts.line(x, y);
    else if (data[i] === 2) parts.curve(n(i + 1), n(i + 2), n(i + 3), n(i + 4), x, y);
    else if (data[i] === 3) {
      // A quadratic as the cubic it is.
      const [qx, qy] = [n(i + 1), n(i + 2)];
      parts.curve(
        px + (2 / 3) * (qx - px),
        py + (2 / 3) * (qy - py),
        x + (2 / 3) * (qx - x),
        y + (2 / 3) * (qy - y),
        x,
        y,
      );
    } else parts.end(true);
    i += step;
  }
  parts.end(closes);
  return parts.done;
}

/** How many numbers each step of the stream takes, itself included. */
const LENGTHS: readonly (number | undefined)[] = [3, 3, 7, 5, 1];
