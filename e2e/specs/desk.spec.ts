import { readFile } from 'node:fs/promises';
import { type Page, expect, test } from '@playwright/test';
import { PDFDocument } from '@cantoo/pdf-lib';
import {
  createDesk,
  doToSheet,
  feetOf,
  goTo,
  measureNew,
  numberOf,
  openDemo,
  openSheet,
  tallyFigure,
  waitSaved,
} from '../drivers/zest.ts';

const bar = (page: Page) => page.getByRole('toolbar', { name: 'Selected marks' });
const find = async (page: Page, name: string): Promise<void> => {
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Find anything' }).fill(name);
  await page.getByRole('option', { name }).first().click();
};

test('straighten a sheet: turned, leveled and cropped, the marks and their figures go along', async ({
  page,
}) => {
  await openDemo(page);
  const desk = await openSheet(page, 'A-101');
  const before = await tallyFigure(page, 'p2').innerText();
  await doToSheet(page, 'Straighten, crop, lighten');
  await page.getByRole('button', { name: 'Turn right' }).click();
  await expect(page.getByRole('button', { name: 'Undo turn A-101' })).toBeVisible();
  await expect(tallyFigure(page, 'p2')).toHaveText(before);
  await page.getByRole('button', { name: 'Turn left' }).click();
  await page.getByLabel(/^Ink/).selectOption('darker');
  await page.getByLabel('invert').check();
  await expect(page.locator('[data-drawn="sharp"]')).toHaveCount(1);
  // A wall that is level already needs no turn; the diagonal of the building would be one of 33 degrees.
  await page.getByRole('button', { name: 'Level by a line' }).click();
  await desk.click([0, 0]);
  await desk.click([124, 0]);
  await expect(page.getByText('That line is level already.')).toBeVisible();
  await page.getByRole('button', { name: 'Level by a line' }).click();
  await desk.click([0, 0]);
  await desk.click([124, 82]);
  await expect(page.getByRole('button', { name: 'Undo level A-101' })).toBeVisible();
  await expect(tallyFigure(page, 'p2')).toHaveText(before);
  await page.keyboard.press('Control+z');
  await page.getByRole('button', { name: 'Crop' }).click();
  const [from, to] = [await desk.screenOf([-12, -16]), await desk.screenOf([130, 88])];
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x - 9, to.y - 9);
  await page.mouse.move(to.x, to.y);
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Undo crop A-101' })).toBeVisible();
  await expect(tallyFigure(page, 'p2')).toHaveText(before);
  await waitSaved(page);
  await page.reload();
  await expect(tallyFigure(page, 'p2')).toHaveText(before);
});

test('a detail at another scale is measured by its own', async ({ page }) => {
  await openDemo(page);
  const desk = await openSheet(page, 'S-101', false, ([x, y]) => [x, y]);
  await doToSheet(page, 'Scale of a part');
  const [from, to] = [await desk.screenOf([1860, 400]), await desk.screenOf([2300, 830])];
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x - 9, to.y - 9);
  await page.mouse.move(to.x, to.y);
  await page.mouse.up();
  // What the detail's title says is offered.
  await expect(page.getByLabel('Its scale')).toHaveValue(`3/4" = 1'-0"`);
  await page.getByLabel('Its scale').fill('about 3/4');
  await page.getByRole('button', { name: 'Set its scale' }).click();
  await expect(page.getByRole('alert')).toContainText('about 3/4');
  await page.getByLabel('Its scale').fill(`3/4" = 1'-0"`);
  await page.getByRole('button', { name: 'Set its scale' }).click();
  await page.getByRole('button', { name: 'Done' }).click();
  // The footing is 2 ft wide: 54 points a foot in the detail, 9 on the plan.
  const figure = await measureNew(page, desk, 'Run', [
    [
      [1976, 700],
      [2084, 700],
    ],
  ]);
  await expect(figure).toHaveText(/′/);
  expect(await feetOf(figure)).toBeCloseTo(2, 1);
  await doToSheet(page, 'Scale of a part');
  await page.getByRole('button', { name: /^Remove the scale of/ }).click();
  await expect.poll(async () => await feetOf(figure)).toBeCloseTo(12, 1);
});

test('zones: marks are put in one, it is built three times, and it can be hidden', async ({ page }) => {
  await openDemo(page);
  const desk = await openSheet(page, 'A-101');
  await page.getByRole('button', { name: 'View' }).click();
  await page.getByLabel('New zone').fill('East wing');
  await page.getByLabel('New zone').press('Enter');
  await page.keyboard.press('Escape');
  await desk.click([93, 60]);
  await bar(page).getByLabel('Zone of the marks').selectOption('East wing');
  const feet = async (): Promise<number> => await feetOf(tallyFigure(page, 'p1'));
  const before = await feet();
  await page.getByRole('button', { name: 'View' }).click();
  await page.getByLabel('How many times East wing is built').fill('3');
  await page.getByLabel('How many times East wing is built').press('Enter');
  // The store's wall of 26 ft counts two times more.
  await expect.poll(feet).toBeCloseTo(before + 52, 1);
  await page.getByRole('checkbox', { name: 'East wing' }).uncheck();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  const open = page.locator('.tally-row.on .tally-name');
  await desk.click([93, 60]);
  await expect(open).not.toHaveText('Partition P1, 2x4');
  await page.getByRole('button', { name: 'Show all' }).click();
  await desk.click([93, 60]);
  await expect(open).toHaveText('Partition P1, 2x4');
});

test('the tally of the sheet, of the level, and what is not measured yet', async ({ page }) => {
  await openDemo(page);
  const desk = await openSheet(page, 'A-102');
  const tally = page.getByRole('complementary', { name: 'Tally' });
  await page.getByRole('button', { name: 'Partition P2, 2x6', exact: true }).click();
  const due = tally.getByRole('checkbox', { name: 'Upper floor', exact: true });
  await due.click();
  await expect(due).toBeChecked();
  await tally.getByRole('button', { name: /Not yet measured/ }).click();
  await expect(tally.getByRole('list', { name: 'Not yet measured' })).toContainText('nothing on Upper floor');
  await page.keyboard.press('l');
  for (const place of [
    [100, 0],
    [100, 56],
  ] as const)
    await desk.click(place);
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await expect(tally.getByRole('list', { name: 'Not yet measured' })).not.toContainText('Upper floor');
  await tally.getByLabel('Figures of').selectOption('this sheet');
  await expect.poll(async () => await feetOf(tallyFigure(page, 'p2'))).toBeCloseTo(56, 0);
  await expect(tally.getByRole('button', { name: 'Partition P1, 2x4', exact: true })).toHaveCount(0);
  await tally.getByLabel('Figures of').selectOption('the whole job');
  await expect.poll(async () => await feetOf(tallyFigure(page, 'p2'))).toBeCloseTo(292, 0);
});

test('marks are caught in a loop, copied to the floor above, and taken off a whole level', async ({
  page,
}) => {
  await openDemo(page);
  const desk = await openSheet(page, 'A-101');
  // Around the shower of the women's changing room, by hand.
  const loop = [
    [60, 44.5],
    [78, 44.5],
    [78, 58],
    [60, 58],
    [60, 45],
  ] as const;
  await page.keyboard.down('Control');
  await desk.move(loop[0]);
  await page.mouse.down();
  for (const place of loop.slice(1)) await desk.move(place);
  await page.mouse.up();
  await page.keyboard.up('Control');
  await expect(bar(page).getByText(/^\d+ marks?$/)).toHaveText('3 marks');
  await page.keyboard.press('Escape');
  await desk.click([93, 60]);
  const before = await feetOf(tallyFigure(page, 'p1'));
  await bar(page)
    .getByLabel('Copy to another sheet, in the same place')
    .selectOption('A-102 Upper floor plan');
  await expect(page.getByRole('button', { name: 'Undo copy 1 mark to A-102' })).toBeVisible();
  await expect.poll(async () => await feetOf(tallyFigure(page, 'p1'))).toBeCloseTo(before + 26, 0);
  await find(page, 'Select all marks on the level of this sheet');
  await expect(bar(page).getByText(/^\d+ marks on 2 sheets$/)).toBeVisible();
  await openSheet(page, 'A-102');
  await find(page, 'Select all marks on this sheet');
  // The copied one, four outer walls, three partitions, the floors and the ceilings.
  await expect(bar(page).getByText(/^16 marks$/)).toBeVisible();
});

test('openings go through the door schedule row by row, each with its own size', async ({ page }) => {
  await openDemo(page);
  const schedule = await openSheet(page, 'A-601', false, ([x, y]) => [x, y]);
  await page.keyboard.press('t');
  const [from, to] = [await schedule.screenOf([110, 120]), await schedule.screenOf([1340, 590])];
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x - 9, to.y - 9);
  await page.mouse.move(to.x, to.y);
  await page.mouse.up();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: /^Keep/ }).click();
  const desk = await openSheet(page, 'A-101');
  await page.keyboard.press('o');
  const rows = page.getByLabel('Row of a schedule for the next opening');
  await rows.selectOption({ label: `102B 6′-0″ by 7′-0″` });
  await desk.click([62, 14]);
  await expect(page.getByRole('button', { name: /^Undo place/ })).toBeVisible();
  // On to the next row that sits nowhere yet.
  await expect(rows.locator('option:checked')).toHaveText(/^103A/);
  await page.keyboard.press('Escape');
  await desk.click([62, 24]);
  await expect(bar(page).getByLabel(/^Tag of the opening/)).toHaveValue('102B');
  await expect(bar(page).getByLabel('Width of the opening')).toHaveValue('6′-0″');
});

test('one slope of a roof is replaced alone; its figures are the job, the others only drawn', async ({
  page,
}) => {
  await openDemo(page);
  const desk = await openSheet(page, 'A-201');
  const area = async (): Promise<number> => await numberOf(tallyFigure(page, 'roof_metal'));
  const whole = await area();
  await desk.click([15, 40]);
  await bar(page).getByRole('button', { name: 'Replace this slope alone' }).click();
  // 33 of 64 ft of the gable's run.
  await expect.poll(async () => (await area()) / whole).toBeCloseTo(33 / 64, 2);
  await bar(page).getByRole('button', { name: 'Replace the whole roof' }).click();
  await expect.poll(area).toBeCloseTo(whole, 0);
});

test('a sheet goes out with its marks and legend as PDF and as PNG', async ({ page }) => {
  await openDemo(page);
  await openSheet(page, 'A-101');
  await doToSheet(page, 'Legend on or off');
  const legend = page.getByRole('group', { name: /^Legend/ });
  await expect(legend).toContainText('Partition P2, 2x6');
  await legend.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: 'Undo move the legend' })).toBeVisible();
  const take = async (name: string): Promise<Buffer> => {
    const download = page.waitForEvent('download');
    await doToSheet(page, name);
    return readFile(await (await download).path());
  };
  const pdf = await PDFDocument.load(await take('Sheet with marks as PDF'));
  expect(pdf.getPageCount()).toBe(1);
  expect(pdf.getPage(0).getSize()).toEqual({ width: 2592, height: 1728 });
  const png = await take('Sheet with marks as PNG');
  // PNG (ISO 15948): the size stands in the first chunk. 36 by 24 in at 150 dots an inch.
  expect(png.subarray(1, 4).toString()).toBe('PNG');
  expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([5400, 3600]);
});

test('a schedule, a sheet or the estimate stands beside the plan with its own zoom', async ({ page }) => {
  await openDemo(page);
  const desk = await openSheet(page, 'A-101');
  await page
    .getByLabel('Split view', { exact: true })
    .selectOption({ label: 'A-601 Door, window and finish schedules' });
  const beside = page.getByRole('complementary', { name: 'Beside' });
  const other = beside.getByRole('application', { name: /A-601/ });
  await expect(other).toHaveAttribute('data-camera-scale', /\d/);
  const scale = await desk.root.getAttribute('data-camera-scale');
  await beside.getByRole('button', { name: 'Zoom in' }).click();
  expect(await desk.root.getAttribute('data-camera-scale')).toBe(scale);
  await beside.getByLabel('What the split view shows').selectOption('Estimate');
  await expect(beside.getByRole('grid', { name: 'Estimate' })).toBeVisible();
  await goTo(page, 'Estimate');
  await page.getByLabel('Split view', { exact: true }).selectOption({ label: 'A-101 Ground floor plan' });
  await expect(beside.getByRole('application', { name: /A-101/ })).toBeVisible();
  await beside.getByRole('button', { name: 'Close the split view' }).click();
  await expect(beside).toHaveCount(0);
});

test('the work area never scrolls inside itself, whatever asks it to, and the pens cover nothing of it', async ({
  page,
}) => {
  await openDemo(page);
  await openSheet(page, 'A-101');
  const moved = await page.evaluate(() =>
    ['.desk', '.frame', 'main'].map((selector) => {
      const area = document.querySelector(selector);
      area?.scrollTo({ top: 355, left: 120 });
      return [area?.scrollTop, area?.scrollLeft];
    }),
  );
  expect(moved).toEqual([
    [0, 0],
    [0, 0],
    [0, 0],
  ]);
  // The pens stand below the sheet, never over it: a click beside them is on the drawing.
  const desk = await page.locator('.desk').boundingBox();
  const pens = await page.getByRole('toolbar', { name: 'Pens' }).boundingBox();
  expect(pens?.y).toBeGreaterThanOrEqual((desk?.y ?? 0) + (desk?.height ?? Infinity));
});

test('words on the sheets are found across the set and shown where they stand', async ({ page }) => {
  await openDemo(page);
  await page.getByLabel('Find sheets by name or by text on them').fill('keynotes');
  const card = page.getByRole('article', { name: 'A-101 Ground floor plan' });
  await expect(card).toBeVisible();
  await expect(page.getByRole('article')).toHaveCount(1);
  await card.getByRole('button', { name: /^Open/ }).click();
  await expect(page.getByText('1 place on A-101')).toBeVisible();
  await expect(page.locator('.text-hits polygon')).toHaveCount(1);
  await page.getByLabel('Looking for').fill('W2');
  await expect(page.locator('.text-hits polygon')).toHaveCount(8);
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.locator('.text-hits polygon')).toHaveCount(0);
});

test('junctions of the open scope are shown as dots; a kind of snap is held by a key', async ({ page }) => {
  await openDemo(page);
  await openSheet(page, 'A-101', true);
  await page.getByRole('button', { name: 'Partition P2, 2x6', exact: true }).click();
  await page.getByRole('button', { name: 'View' }).click();
  const dots = page.getByLabel('Dots where the runs of the open scope meet');
  await dots.check();
  await page.keyboard.press('Escape');
  await expect(dots).toHaveCount(0);
  // Seven ends and three tees, as the tally says.
  await expect(page.locator('.junctions circle')).toHaveCount(10);
  const root = page.getByRole('application', { name: /A-101/ });
  const desk = createDesk(page, root);
  await page.keyboard.press('l');
  await desk.zoomTo([0, 0], 6);
  await desk.move([-0.3, -0.5]);
  await expect(page.locator('.snap-sign')).toHaveText('corner');
  await page.keyboard.press('x');
  await expect(page.locator('.snap-sign')).toHaveText(/held/);
  for (const x of [2, 3, 4, 5, 6, 7, 8]) {
    await desk.move([x, -0.4]);
    const signs = await page.locator('.snap-sign').allTextContents();
    expect(signs.filter((sign) => sign !== 'corner, held')).toEqual([]);
  }
  await page.keyboard.press('x');
  await desk.move([-0.3, -0.5]);
  await expect(page.locator('.snap-sign')).toHaveText('corner');
});

test('the points of a count carry a shape, a size and a turn of their own', async ({ page }) => {
  await openDemo(page);
  await openSheet(page, 'A-101');
  await page.getByRole('button', { name: 'Doors, pair', exact: true }).click();
  const tally = page.getByRole('complementary', { name: 'Tally' });
  await tally.getByLabel('Shape of the sign').selectOption('triangle');
  await tally.getByLabel('Size of the sign on the sheet').fill('900');
  await tally.getByLabel('Size of the sign on the sheet').press('Enter');
  await expect(tally.getByRole('alert')).toHaveText('Type a size from 2 to 60 points.');
  await tally.getByLabel('Size of the sign on the sheet').fill('24 pt');
  await tally.getByLabel('Size of the sign on the sheet').press('Enter');
  await tally.getByLabel('Turn of the sign').fill('45');
  await tally.getByLabel('Turn of the sign').press('Enter');
  await expect(tally.getByLabel('Turn of the sign')).toHaveValue('45°');
  await waitSaved(page);
  await page.reload();
  await page.getByRole('button', { name: 'Doors, pair', exact: true }).click();
  await expect(tally.getByLabel('Shape of the sign')).toHaveValue('triangle');
});

test('partitions meet the block walls: their ends there are tees', async ({ page }) => {
  await openDemo(page);
  await openSheet(page, 'A-101');
  await page.getByRole('button', { name: 'Partition P2, 2x6', exact: true }).click();
  const tally = page.getByRole('complementary', { name: 'Tally' });
  const fact = (name: string) => tally.locator('dt', { hasText: name }).locator('+ dd');
  await expect(fact('ends')).toHaveText('7');
  await tally.getByText('Meets only its own runs').click();
  await tally.getByRole('checkbox', { name: 'Block wall 8", bay and outside' }).click();
  await expect(fact('ends')).toHaveText('0');
  await expect(fact('tees')).toHaveText('10');
  await page.keyboard.press('Control+z');
  await expect(fact('ends')).toHaveText('7');
});
