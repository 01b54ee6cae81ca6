import { LIMITS } from '@zest/core/formats/limits';
/** Operations of pdf.js that matter to line work; the rest is skipped. */
export interface Operations {
  readonly save: number;
  readonly restore: number;
  readonly transform: number;
  readonly paintFormXObjectBegin: number;
  readonly paintFormXObjectEnd: number;
  readonly constructPath: number;
  readonly endPath: number;
}

type Matrix = readonly [number, number, number, number, number, number];

/** More segments than this are a picture drawn in vectors, not a plan; the rest is left out. */
export const SEGMENT_LIMIT: number = LIMITS.pdf.segments;
const CURVE_PIECES = 6;

const multiply = (a: Matrix, b: Matrix): Matrix => [
  a[0] * b[0] + a[2] * b[1],
  a[1] * b[0] + a[3] * b[1],
  a[0] * b[2] + a[2] * b[3],
  a[1] * b[2] + a[3] * b[3],
  a[0] * b[4] + a[2] * b[5] + a[4],
  a[1] * b[4] + a[3] * b[5] + a[5],
];

/** Collects straight pieces, moved to sheet points by the matrix of the moment. */
class Segments {
  readonly flat: number[] = [];
  #start: readonly [number, number] = [0, 0];
  #at: readonly [number, number] = [0, 0];

  move(x: number, y: number): void {
    this.#start = [x, y];
    this.#at = [x, y];
  }

  line(x: number, y: number, [a, b, c, d, e, f]: Matrix): void {
    const [px, py] = this.#at;
    this.#at = [x, y];
    if (this.flat.length >= 4 * SEGMENT_LIMIT || (px === x && py === y)) return;
    this.flat.push(a * px + c * py + e, b * px + d * py + f, a * x + c * y + e, b * x + d * y + f);
  }

  curve(points: readonly number[], matrix: Matrix): void {
    const [x0, y0] = this.#at;
    const [x1 = 0, y1 = 0, x2 = 0, y2 = 0, x3 = x2, y3 = y2] = points;
    const cubic = points.length === 6;
    for (let i = 1; i <= CURVE_PIECES; i += 1) {
      const t = i / CURVE_PIECES;
      const s = 1 - t;
      const x = cubic
        ? s ** 3 * x0 + 3 * s * s * t * x1 + 3 * s * t * t * x2 + t ** 3 * x3
        : s * s * x0 + 2 * s * t * x1 + t * t * x2;
      const y = cubic
        ? s ** 3 * y0 + 3 * s * s * t * y1 + 3 * s * t * t * y2 + t ** 3 * y3
        : s * s * y0 + 2 * s * t * y1 + t * t * y2;
      this.line(x, y, matrix);
    }
  }

  close(matrix: Matrix): void {
    this.line(...this.#start, matrix);
  }
}

/** The flat stream of a path: 0 move, 1 line, 2 cubic, 3 quadratic, 4 close. */
function readPath(data: ArrayLike<number>, matrix: Matrix, segments: Segments): void {
  const number = (i: number): number => data[i] ?? 0;
  for (let i = 0; i < data.length;) {
    switch (data[i]) {
      case 0:
        segments.move(number(i + 1), number(i + 2));
        i += 3;
        break;
      case 1:
        segments.line(number(i + 1), number(i + 2), matrix);
        i += 3;
        break;
      case 2:
        segments.curve(
          [1, 2, 3, 4, 5, 6].map((at) => number(i + at)),
          matrix,
        );
        i += 7;
        break;
      case 3:
        segments.curve(
          [1, 2, 3, 4].map((at) => number(i + at)),
          matrix,
        );
        i += 5;
        break;
      case 4:
        segments.close(matrix);
        i += 1;
        break;
      default:
        return;
    }
  }
}

/**
 * The line work of a page as segments in sheet points, from its list of operations. `viewport` takes
 * page space to sheet points. Clipping paths draw nothing and are left out.
 */
export function extractLineWork(
  list: { readonly fnArray: ArrayLike<number>; readonly argsArray: ArrayLike<unknown> },
  ops: Operations,
  viewport: Matrix,
): Float32Array {
  const segments = new Segments();
  const stack: Matrix[] = [];
  let matrix = viewport;
  for (let i = 0; i < list.fnArray.length; i += 1) {
    const op = list.fnArray[i];
    const args = list.argsArray[i];
    if (op === ops.save) stack.push(matrix);
    else if (op === ops.restore || op === ops.paintFormXObjectEnd) matrix = stack.pop() ?? viewport;
    else if (op === ops.transform) matrix = multiply(matrix, args as Matrix);
    else if (op === ops.paintFormXObjectBegin) {
      stack.push(matrix);
      const [form] = args as readonly [Matrix | null];
      if (form !== null) matrix = multiply(matrix, form);
    } else if (op === ops.constructPath) {
      const [paint, paths] = args as readonly [number, readonly (ArrayLike<number> | null)[]];
      if (paint === ops.endPath) continue;
      for (const path of paths) if (path !== null) readPath(path, matrix, segments);
    }
  }
  return Float32Array.from(segments.flat);
}
