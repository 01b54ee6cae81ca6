import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BrowserContext, type Page, chromium } from '@playwright/test';
import { CHROMIUM_ARGS, CHROMIUM_PATH } from '../browser.ts';
import { goTo, newJob, waitSaved } from '../drivers/zest.ts';
import { type Faults, chanceOf } from './report.ts';

const NAME = 'Faults';
const SETTLE_MS = 5000;

const launch = (profile: string, baseURL: string): Promise<BrowserContext> =>
  chromium.launchPersistentContext(profile, {
    executablePath: CHROMIUM_PATH,
    args: [...CHROMIUM_ARGS],
    baseURL,
    viewport: { width: 1280, height: 800 },
  });

const addLine = (page: Page): Promise<void> =>
  page.getByRole('button', { name: 'Add a line', exact: true }).click();
const countLines = async (page: Page): Promise<number> => {
  const said = page.locator('.bar').getByText(/^\d+ lines?$/);
  await said.waitFor();
  return Number(/\d+/.exec(await said.innerText())?.[0]);
};
/** The lines a tab comes to show; what it took over is drawn a moment after the total. */
async function settledLines(page: Page, wanted: number): Promise<number> {
  const until = Date.now() + SETTLE_MS;
  let found = await countLines(page);
  while (found < wanted && Date.now() < until) {
    await page.waitForTimeout(50);
    found = await countLines(page);
  }
  return found;
}
async function openLines(page: Page): Promise<void> {
  await page.goto('/jobs');
  await page.getByRole('button', { name: NAME, exact: true }).click();
  await goTo(page, 'Estimate');
}

/** A browser that goes down at once, while something is being saved: all that was shown as saved is there. */
export async function killBrowsers(count: number, baseURL: string): Promise<Faults> {
  const profile = await mkdtemp(join(tmpdir(), 'zest-faults-'));
  const lost: string[] = [];
  let context = await launch(profile, baseURL);
  await newJob(context.pages()[0] as Page, NAME);
  await goTo(context.pages()[0] as Page, 'Estimate');
  for (let turn = 0; turn < count; turn += 1) {
    const chance = chanceOf(turn);
    const page = context.pages()[0] as Page;
    await addLine(page);
    await waitSaved(page);
    const saved = await countLines(page);
    await addLine(page);
    await page.waitForTimeout(chance() * 120);
    const session = await context.newCDPSession(page);
    await session.send('Browser.crash' as 'Browser.close').catch(() => undefined);
    await context.close().catch(() => undefined);
    for (const lock of ['SingletonLock', 'SingletonCookie', 'SingletonSocket'])
      await rm(join(profile, lock), { force: true });
    context = await launch(profile, baseURL);
    await openLines(context.pages()[0] as Page);
    const found = await countLines(context.pages()[0] as Page);
    if (found < saved) lost.push(`kill ${turn}: ${found} lines of ${saved} that were saved`);
  }
  await context.close();
  await rm(profile, { recursive: true, force: true });
  return { kind: 'killed browsers', tried: count, lost };
}

/** Two tabs that take a job over from one another while edits are on their way: none that was saved is lost. */
export async function takeOver(count: number, baseURL: string): Promise<Faults> {
  const profile = await mkdtemp(join(tmpdir(), 'zest-faults-'));
  const context = await launch(profile, baseURL);
  const lost: string[] = [];
  const first = context.pages()[0] as Page;
  await newJob(first, NAME);
  await goTo(first, 'Estimate');
  const second = await context.newPage();
  await openLines(second);
  const tabs = [first, second];
  let lines = 0;
  for (let turn = 0; turn < count; turn += 1) {
    const [has, wants] = turn % 2 === 0 ? [tabs[0], tabs[1]] : [tabs[1], tabs[0]];
    if (has === undefined || wants === undefined) throw new Error('takeOver: no tabs');
    const chance = chanceOf(turn);
    await addLine(has);
    lines += 1;
    // Without waiting for it to be saved: the other tab must.
    await wants.waitForTimeout(chance() * 60);
    await wants.getByRole('button', { name: 'Edit here' }).click();
    await wants.getByText('This job is open in another tab.', { exact: false }).waitFor({ state: 'hidden' });
    const found = await settledLines(wants, lines);
    if (found < lines) lost.push(`round ${turn}: ${found} lines of ${lines} were handed over`);
    lines = found;
  }
  const last = tabs[count % 2] as Page;
  await waitSaved(last);
  await last.reload();
  const kept = await countLines(last);
  if (kept !== lines) lost.push(`after a reload: ${kept} lines of ${lines}`);
  await context.close();
  await rm(profile, { recursive: true, force: true });
  return { kind: 'take-overs between two tabs', tried: count, lost };
}
