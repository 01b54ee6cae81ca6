import type { Point } from '@zest/core/geometry/point';

const write = (value: number): string => value.toFixed(3);

/** Gathers a path in the notation of SVG 2, chapter 9, which the PDF writer takes. */
export class SvgTrace {
  path = '';

  moveTo(x: number, y: number): void {
    this.path += `M${write(x)} ${write(y)}`;
  }

  lineTo(x: number, y: number): void {
    this.path += `L${write(x)} ${write(y)}`;
  }

  closePath(): void {
    this.path += 'Z';
  }

  /** Whole circles only: two half turns. */
  arc(x: number, y: number, r: number): void {
    const half = `A${write(r)} ${write(r)} 0 0 1`;
    this.path += `M${write(x + r)} ${write(y)}${half} ${write(x - r)} ${write(y)}${half} ${write(x + r)} ${write(y)}Z`;
  }

  chain(points: readonly Point[]): void {
    points.forEach(({ x, y }, i) => (i === 0 ? this.moveTo(x, y) : this.lineTo(x, y)));
  }

  ring(points: readonly Point[]): void {
    this.chain(points);
    this.closePath();
  }
}
