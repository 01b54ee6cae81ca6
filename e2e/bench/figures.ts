import { writeFileSync } from 'node:fs';

/** One measured figure; `ratio` is to the figure named by `against`. */
export interface BenchFigure {
  readonly name: string;
  readonly value: number;
  readonly unit: 'ms' | 'µs' | 'MB' | '%';
  readonly ratio?: number;
  readonly against?: string;
}

export const median = (values: readonly number[]): number => quantile(values, 0.5);

/** The value below which the share `q` of the values lies. */
export function quantile(values: readonly number[], q: number): number {
  if (values.length === 0) throw new Error('quantile: no values were measured');
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))] as number;
}

/** Times a piece of work over several runs after a warm-up; ms. */
export function timeRuns(runs: number, work: () => void, warmUps = 2): readonly number[] {
  for (let i = 0; i < warmUps; i += 1) work();
  return Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
}

/** Three digits, without zeros behind the point; those before it stay. */
const digits = (value: number): string => String(Number(value.toPrecision(3)));

export function printFigure({ name, value, unit, ratio, against }: BenchFigure): void {
  const beside = ratio === undefined ? '' : ` (${digits(ratio)} x ${against})`;
  console.log(`${name}: ${value >= 1000 ? Math.round(value) : digits(value)} ${unit}${beside}`);
}

export const writeFigures = (path: string, figures: readonly BenchFigure[]): void =>
  writeFileSync(path, `${JSON.stringify(figures, null, 2)}\n`);
