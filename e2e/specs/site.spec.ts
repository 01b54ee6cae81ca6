import { type Locator, type Page, expect, test } from '@playwright/test';
import { planJoin } from '@zest/core/takeoff/joinSheets';
import { createTestJob } from '@zest/core/testing/job';
import type { Place } from '@zest/demo/boathouse/building';
import { MATCH_X, ROAD, SITE_DEPTH, roadLength } from '@zest/demo/boathouse/site';
import { onEast, onWest } from '@zest/demo/boathouse/siteSheets';
import {
  createDesk,
  doToSheet,
  feetOf,
  goTo,
  measureNew,
  openDemo,
  openSheet,
  waitSaved,
} from '../drivers/zest.ts';

const FIRST = 'First sheet, which stays';
const SECOND = 'Second sheet, which is moved';

/** Both ends of the match line. */
const ENDS: readonly Place[] = [
  [MATCH_X, 0],
  [MATCH_X, SITE_DEPTH],
];

async function pick(page: Page, pane: string, places: readonly Place[]): Promise<void> {
  const root = page.getByRole('region', { name: pane }).getByRole('application');
  await expect(root).toHaveAttribute('data-camera-scale', /\d/);
  await expect(root).toHaveAttribute('data-snap', /\d/);
  const desk = createDesk(page, root, pane === FIRST ? onWest : onEast);
  for (const place of places) await desk.click(place);
}

const sheetOf = (page: Page, pane: string): Locator =>
  page.getByRole('region', { name: pane }).getByLabel('Sheet', { exact: true });

/** Where the first sheet comes to lie on the joined one: it is only moved. */
const shift = (() => {
  const { sheet } = createTestJob();
  const spot = ([x, y]: readonly [number, number]) => ({ x, y });
  const pairs = ENDS.map((place) => [spot(onWest(place)), spot(onEast(place))] as const);
  const plan = planJoin(sheet, { ...sheet, id: 'sheet:second' }, pairs);
  if (!plan.ok) throw new Error(plan.problem.kind);
  return plan.value.shift;
})();

test('join the road: two sheets become one along the match line, and a run crosses the seam', async ({
  page,
}) => {
  await openDemo(page);
  await openSheet(page, 'C-101');
  await doToSheet(page, 'Join with another sheet');
  await expect(sheetOf(page, SECOND).locator('option:checked')).toHaveText('C-102 Grading plan east');
  await pick(page, FIRST, ENDS);
  await pick(page, SECOND, ENDS);
  const fit = page.getByLabel('Fit', { exact: true });
  await expect(fit).toContainText('−1.30°');
  await expect(fit).toContainText('C-102 has none to check');
  // A third place shows what is left over: well under a thousandth of the way.
  const crossing: Place = [MATCH_X, 300];
  await pick(page, FIRST, [crossing]);
  await pick(page, SECOND, [crossing]);
  const residual = Number(await page.locator('[data-residual]').getAttribute('data-residual'));
  expect(residual).toBeLessThanOrEqual(0.001);
  await expect(page.locator('.join-picture')).toHaveAttribute('data-drawn', 'true');
  await page.getByRole('button', { name: 'Join', exact: true }).click();

  const root = page.getByRole('application', { name: /C-101\+C-102/ });
  await expect(root).toHaveAttribute('data-camera-scale', /\d/);
  await expect(page.getByRole('button', { name: 'Undo join C-101 and C-102' })).toBeVisible();
  await page.keyboard.press('s');
  await page.keyboard.press('n');
  await page.keyboard.press('Escape');
  const desk = createDesk(page, root, (place) => {
    const [x, y] = onWest(place);
    return [x + shift.x, y + shift.y];
  });
  const figure = await measureNew(page, desk, 'Run', [ROAD]);
  await expect(figure).toHaveText(/′/);
  expect(Math.abs((await feetOf(figure)) / roadLength - 1)).toBeLessThan(0.003);
  await waitSaved(page);

  // The sources stay, and the join can be redone.
  await goTo(page, 'Sheets');
  await expect(page.getByRole('article', { name: 'C-101 Grading plan west' })).toBeVisible();
  await page
    .getByRole('article', { name: /C-101\+C-102/ })
    .getByRole('button', { name: 'Join again' })
    .click();
  await expect(page.getByRole('button', { name: 'Join again', exact: true })).toBeEnabled();
});

test('a join of the same place twice, or of places on one side, is refused with its reason', async ({
  page,
}) => {
  await openDemo(page);
  await openSheet(page, 'C-101');
  await doToSheet(page, 'Join with another sheet');
  const [end] = ENDS;
  if (end === undefined) throw new Error('no end');
  await pick(page, FIRST, [end, end]);
  await pick(page, SECOND, ENDS);
  await expect(page.getByRole('alert')).toHaveText(/Both points are in the same spot on one sheet/);
  await expect(page.getByRole('button', { name: 'Join', exact: true })).toBeDisabled();
  await page.getByRole('button', { name: 'Pick again' }).click();
  await sheetOf(page, SECOND).selectOption({ label: 'C-101 Grading plan west' });
  await expect(page.getByRole('alert')).toHaveText(/Both sides show the same sheet/);
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByRole('heading', { name: 'Sheets' })).toBeVisible();
});

test('a joined sheet whose source is removed stays whole', async ({ page }) => {
  await openDemo(page);
  await openSheet(page, 'C-101');
  await doToSheet(page, 'Join with another sheet');
  await pick(page, FIRST, ENDS);
  await pick(page, SECOND, ENDS);
  await page.getByRole('button', { name: 'Join', exact: true }).click();
  await goTo(page, 'Sheets');
  await page.getByRole('button', { name: 'Remove C-102 Grading plan east' }).click();
  const joined = page.getByRole('article', { name: /C-101\+C-102/ });
  await expect(joined.getByRole('button', { name: 'Join', exact: true })).toBeVisible();
  await joined.getByRole('button', { name: /^Open/ }).click();
  await expect(page.locator('[data-drawn="sharp"]')).toHaveCount(1);
});
