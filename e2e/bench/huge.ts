import { type BenchFigure, median } from './figures.ts';
import { type Bench, importLargeJob, openTimes } from './pages.ts';
import { createItems } from './prices.ts';

const HUGE = { marks: 50_000, scopes: 500, components: 3_000, lines: 5_000 } as const;
const OPENS = 3;

/** The largest job the program is made for: how long its file takes to come in, and how long it takes to open. */
export async function measureHuge(bench: Bench): Promise<readonly BenchFigure[]> {
  const page = await bench.newPage();
  const { name, importMs } = await importLargeJob(page, HUGE, createItems());
  const opens = await openTimes(page, name, OPENS);
  await page.context().close();
  return [
    { name: 'import.huge', value: importMs, unit: 'ms' },
    { name: 'open.huge', value: median(opens), unit: 'ms' },
  ];
}
