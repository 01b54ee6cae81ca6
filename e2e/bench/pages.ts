import { createJob, listRecords } from '@zest/core/job/job';
import type { JobRecord } from '@zest/core/job/record';
import { spawn } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { type Browser, type Page, chromium } from '@playwright/test';
import { writeZestjob } from '@zest/core/formats/zestjob/write';
import { CHROMIUM_ARGS, CHROMIUM_PATH } from '../browser.ts';
import { drawingSet, readBytes } from './drawings.ts';
import { type LargeJobSize, createLargeJob } from './largeJob.ts';

const PORT = 4190;

export interface Bench {
  readonly browser: Browser;
  readonly newPage: () => Promise<Page>;
  readonly end: () => Promise<void>;
}

/** The built app behind its own server, and Chromium to drive it. */
export async function openBench(): Promise<Bench> {
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
    env: { ...process.env, PORT: String(PORT) },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((resolve) => server.stdout.once('data', resolve));
  const browser = await chromium.launch({ executablePath: CHROMIUM_PATH, args: [...CHROMIUM_ARGS] });
  return {
    browser,
    newPage: async () => {
      const context = await browser.newContext({
        baseURL: `http://127.0.0.1:${PORT}`,
        viewport: { width: 1280, height: 800 },
      });
      const page = await context.newPage();
      // The build turns names into helpers' names; evaluated functions must not look for them.
      await page.addInitScript('globalThis.__name = (each) => each');
      return page;
    },
    end: async () => {
      await browser.close();
      server.kill('SIGTERM');
    },
  };
}

/** Puts a large job into the browser through the door a person would use, timed; leaves the jobs page open. */
export async function importLargeJob(
  page: Page,
  size: LargeJobSize,
  further: readonly JobRecord[] = [],
): Promise<{ readonly name: string; readonly importMs: number }> {
  const pdf = await drawingSet(1, 8_000);
  const bytes = readBytes(pdf);
  const large = createLargeJob(size, { name: 'bench.pdf', bytes: bytes.length });
  const job = further.length === 0 ? large : createJob([...listRecords(large), ...further]);
  const [file] = job.file.keys();
  const path = `.cache/bench/job-${size.marks}.zestjob`;
  writeFileSync(path, writeZestjob(job, new Map([[file as string, bytes]])));
  await page.goto('/jobs');
  const began = performance.now();
  await page.getByLabel('Job file').setInputFiles(path);
  const name = `Bench ${size.marks} marks`;
  await page.getByRole('button', { name, exact: true }).waitFor({ timeout: 120_000 });
  return { name, importMs: performance.now() - began };
}

/** From the click on a job of the list to its total on the screen; ms, so many times. */
export async function openTimes(page: Page, name: string, runs: number): Promise<readonly number[]> {
  const opens: number[] = [];
  for (let i = 0; i < runs; i += 1) {
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
  return opens;
}

/** Waits for the desk's layers to come to rest. */
export async function waitDrawn(page: Page): Promise<void> {
  await page.locator('.desk[data-marks="drawn"]').waitFor({ timeout: 60_000 });
  await page.locator('[data-drawn="sharp"]').waitFor({ state: 'attached', timeout: 60_000 });
}

/** Frame times between two calls, by requestAnimationFrame; ms. */
export async function startFrames(page: Page): Promise<() => Promise<readonly number[]>> {
  await page.evaluate(() => {
    const frames: number[] = [];
    let last = performance.now();
    const bench = { frames, on: true };
    (window as unknown as { bench: typeof bench }).bench = bench;
    const tick = (now: number): void => {
      frames.push(now - last);
      last = now;
      if (bench.on) requestAnimationFrame(tick);
    };
    requestAnimationFrame((now) => {
      last = now;
      requestAnimationFrame(tick);
    });
  });
  return () =>
    page.evaluate(() => {
      const { bench } = window as unknown as { bench: { frames: number[]; on: boolean } };
      bench.on = false;
      return bench.frames;
    });
}
