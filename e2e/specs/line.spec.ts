import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import {
  BAY_SLAB,
  DOORS,
  type Place,
  areaOf,
  getWall,
  placeOn,
  wallLength,
  WALLS,
} from '@zest/demo/boathouse/building';
import {
  applyAssembly,
  addPdf,
  DEMO_SHEETS,
  feetOf,
  goTo,
  newJob,
  numberOf,
  openSheet,
  tallyFigure,
  totalOf,
  waitSaved,
} from '../drivers/zest.ts';

/** What a person measures must agree with the building model within this share. */
const TOLERANCE = 0.003;
const within = (measured: number, truth: number): void =>
  expect(Math.abs(measured / truth - 1)).toBeLessThan(TOLERANCE);

test('a PDF goes in at one end and a priced bid comes out at the other', async ({ page }) => {
  await newJob(page, 'Line test');
  await addPdf(page);
  await expect(page.getByRole('article')).toHaveCount(DEMO_SHEETS);
  await expect(page.getByRole('article', { name: 'A-101 Ground floor plan' })).toBeVisible();
  await expect(page.getByText(`The sheet says 1/8" = 1'-0"`).first()).toBeVisible();

  // The scale by two points on the overall dimension, measured back on the other one.
  const desk = await openSheet(page, 'A-101');
  await expect(page.getByText('A-101 has no scale.')).toBeVisible();
  await desk.zoomTo([62, 37], 1);
  await page.keyboard.press('s');
  await desk.click([0, -8]);
  await desk.click([124, -8]);
  await page.getByLabel('How long is this really?').fill(`124'-0"`);
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Measure back' }).first().click();
  await desk.click([-8, 0]);
  await desk.click([-8, 82]);
  await page.getByLabel('How long should this be?').fill(`82'`);
  await page.keyboard.press('Enter');
  await expect(page.getByText(/A-101: measured back (exactly|0\.\d\d %)/)).toBeVisible();
  await page.getByRole('button', { name: 'Done' }).click();

  // Runs, drawn wall by wall with the pen lifted between them.
  const walls = WALLS.filter(({ type }) => type === 'P2');
  await page.keyboard.press('l');
  for (const [index, wall] of walls.entries()) {
    if (index > 0) await page.keyboard.press('.');
    await desk.click(wall.from);
    await desk.click(wall.to);
  }
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await expect(tallyFigure(page, 'run_1')).toHaveText(/′/);
  within(await feetOf(tallyFigure(page, 'run_1')), wallLength('P2'));

  // A count, one click a door.
  await page.keyboard.press('c');
  for (const door of DOORS) await desk.click(placeOn(getWall(door.wall), door.at) as Place);
  await expect(tallyFigure(page, 'count_1')).toHaveText(`${DOORS.length} ea`);
  await page.keyboard.press('Escape');

  // An area on the foundation plan, at the scale printed there.
  const foundation = await openSheet(page, 'S-101');
  await page.getByRole('button', { name: /Use the printed/ }).click();
  await foundation.zoomTo([31, 41], 1);
  await foundation.draw('a', BAY_SLAB);
  await expect(tallyFigure(page, 'area_1')).toHaveText(/ft²/);
  within(await numberOf(tallyFigure(page, 'area_1')), areaOf(BAY_SLAB));
  await page.keyboard.press('Escape');

  // An assembly turns it into priced lines; the bid follows at once.
  expect(await totalOf(page)).toBe(0);
  await applyAssembly(page, 'Slab on grade');
  await expect.poll(() => totalOf(page)).toBeGreaterThan(3_000_000);
  await waitSaved(page);

  // Reload: nothing that was shown as saved is lost.
  const before = await totalOf(page);
  await page.reload();
  await expect.poll(() => totalOf(page)).toBe(before);

  await goTo(page, 'Estimate');
  await expect(page.getByRole('gridcell', { name: 'Ready-mix concrete' })).toBeVisible();
  await goTo(page, 'Bid');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save PDF' }).click();
  const pdf = await readFile(await (await download).path());
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  expect(pdf.length).toBeGreaterThan(5_000);
});

test('the exports open: XLSX with live formulas, CSV with every priced line', async ({ page }) => {
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'Tern Island Boathouse', exact: true }).click();
  await goTo(page, 'Bid');
  const take = async (name: string): Promise<Buffer> => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save as' }).click();
    await page.getByRole('menuitem', { name, exact: true }).click();
    return readFile(await (await download).path());
  };
  const xlsx = await take('Estimate as XLSX, for the office');
  expect(xlsx.subarray(0, 2).toString()).toBe('PK');
  const csv = (await take('Estimate as CSV, for the office')).toString();
  expect(csv.split('\r\n')).toHaveLength(379);
  expect(csv).toContain('Ready-mix concrete,03,,101.75,yd³');
});
