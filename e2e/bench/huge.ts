import { type BenchFigure, median } from './figures.ts';
import { type Bench, importLargeJob } from './pages.ts';
import { createItems } from './prices.ts';

const HUGE = { marks: 50_000, scopes: 500, components: 3_000, lines: 5_000 } as const;
const OPENS = 3;

/** The largest job the program is made for: how long its file takes to come in, and how long it takes to open. */
export async function measureHuge(bench: Bench): Promise<readonly BenchFigure[]> {
  const page = await bench.newPage();
  const { name, importMs } = await importLargeJob(page, HUGE, createItems());
  const opens: number[] = [];
  for (let i = 0; i < OPENS; i += 1) {
    await page.goto('/jobs');
    const button = page.getByRole('button', { name, exact: true });
    await button.waitFor();
    opens.push(
      await button.evaluate(
        (element) =>
          new Promise<number>((resolve) => {
            const start = performance.now();
            const wait = (): void => {
              if (document.querySelector('[data-total]') === null) requestAnimationFrame(wait);
              else resolve(performance.now() - start);
            };
            (element as HTMLElement).click();
            wait();
          }),
      ),
    );
  }
  await page.context().close();
  return [
    { name: 'import.huge', value: importMs, unit: 'ms' },
    { name: 'open.huge', value: median(opens), unit: 'ms' },
  ];
}
