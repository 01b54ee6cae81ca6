import { expect, test } from '@playwright/test';
import { feetOf, numberOf, openDemo, openSheet, tallyFigure, waitSaved } from '../drivers/zest.ts';

test('measure a floor of partitions with doors: openings sit in the wall, move with it, and are counted', async ({
  page,
}) => {
  await openDemo(page);
  const desk = await openSheet(page, 'A-101');
  await desk.zoomTo([93, 45], 2);
  // The single doors are given their size, then two are placed in a furring wall.
  await page.getByRole('button', { name: 'Furring, creek side', exact: true }).click();
  await desk.draw('l', [
    [66, 61],
    [90, 61],
  ]);
  await page.keyboard.press('Escape');
  await expect(tallyFigure(page, 'furring')).toHaveText(/24′-0|23′-1|24′-/);
  await page.getByRole('button', { name: 'Doors, single', exact: true }).click();
  await page.keyboard.press('o');
  await desk.click([72, 61.2]);
  await desk.click([80, 60.8]);
  await expect(tallyFigure(page, 'doors')).toHaveText('13 ea');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Furring, creek side', exact: true }).click();
  const tally = page.getByRole('complementary', { name: 'Tally' });
  await expect(tally.getByText('openings, width')).toBeVisible();
  await expect(tally.locator('dd', { hasText: /^6′-0″$/ }).first()).toBeVisible();

  // None deducted is said, not silent; Undo brings the rule back.
  await tally.getByLabel('Deduct openings').selectOption('none');
  await expect(page.getByRole('button', { name: 'Undo deduction of openings' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await desk.click([68, 61]);
  const bar = page.getByRole('toolbar', { name: 'Selected marks' });
  await expect(bar.getByLabel('Width of the opening').first()).toHaveValue('3′-0″');
  await bar.getByLabel('How many times it counts').fill('3');
  await bar.getByLabel('How many times it counts').press('Enter');
  await expect(tallyFigure(page, 'doors')).toHaveText('17 ea');
  await bar.getByRole('button', { name: 'Delete the marks' }).click();
  await expect(tallyFigure(page, 'doors')).toHaveText('11 ea');
  await page.keyboard.press('Control+z');
  await expect(tallyFigure(page, 'doors')).toHaveText('17 ea');
});

test('a conduit run with risers: at right angles between clicks, with rises and tails', async ({ page }) => {
  await openDemo(page);
  const desk = await openSheet(page, 'A-101');
  await page.getByRole('button', { name: 'Furring, creek side', exact: true }).click();
  await page.keyboard.press('l');
  await page.keyboard.press('g');
  await desk.click([10, 10]);
  await page.keyboard.type('+8');
  await page.keyboard.press('Enter');
  await desk.click([40, 30]);
  await page.keyboard.type('-4 ft');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  // 30 across and 20 down, never the diagonal; 8 up and 4 down.
  await expect.poll(async () => await feetOf(tallyFigure(page, 'furring'))).toBeCloseTo(62, 0);
  await desk.click([25, 10]);
  const bar = page.getByRole('toolbar', { name: 'Selected marks' });
  await bar.getByLabel('End allowance at the start').fill('8');
  await bar.getByLabel('End allowance at the start').press('Enter');
  await bar.getByLabel('End allowance at the end').fill('2 ft');
  await bar.getByLabel('End allowance at the end').press('Enter');
  await expect.poll(async () => await feetOf(tallyFigure(page, 'furring'))).toBeCloseTo(72, 0);
});

test('a roof slope: pitch and edges give true area and true lengths', async ({ page }) => {
  await openDemo(page);
  const desk = await openSheet(page, 'A-101');
  await page.getByRole('button', { name: 'New scope' }).click();
  await page.getByRole('menuitem', { name: /^Roof slope/ }).click();
  await page.keyboard.press('e');
  await desk.click([4, 4]);
  await desk.click([44, 24]);
  await page.keyboard.press('Escape');
  await expect(tallyFigure(page, 'roof_slope_4')).toHaveText('no pitch');
  await desk.click([24, 14]);
  const bar = page.getByRole('toolbar', { name: 'Selected marks' });
  await bar.getByLabel('Pitch').fill('steep');
  await bar.getByLabel('Pitch').press('Enter');
  await expect(page.getByRole('alert')).toHaveText('Type a pitch such as 6/12, 30 % or 27°.');
  await bar.getByLabel('Pitch').fill('6/12');
  await bar.getByLabel('Pitch').press('Enter');
  await expect(tallyFigure(page, 'roof_slope_4')).toHaveText(/ft²/);
  await expect
    .poll(async () => (await numberOf(tallyFigure(page, 'roof_slope_4'))) / (800 * Math.sqrt(1.25)))
    .toBeCloseTo(1, 2);
  await bar.getByLabel('Edge 1').selectOption('eave');
  await bar.getByLabel('Edge 2').selectOption('rake');
  const tally = page.getByRole('complementary', { name: 'Tally' });
  // 20 ft in plan at 6/12 are 22'-4".
  await expect(tally.locator('dt', { hasText: 'rake' }).locator('+ dd')).toHaveText(/22′-[345]/);
});

test('areas: a circle, a hole cut later, one cut out of another, copied to another sheet', async ({
  page,
}) => {
  await openDemo(page);
  const desk = await openSheet(page, 'A-101');
  await page
    .getByRole('button', { name: 'Tally' })
    .or(page.getByRole('button', { name: 'New scope' }))
    .first()
    .click();
  await page.getByRole('menuitem', { name: /^Area/ }).click();
  await page.keyboard.press('q');
  await desk.click([30, 20]);
  await desk.click([40, 20]);
  const figure = tallyFigure(page, 'area_15');
  await expect.poll(async () => (await numberOf(figure)) / (Math.PI * 100)).toBeCloseTo(1, 2);
  await page.keyboard.press('e');
  await desk.click([26, 16]);
  await desk.click([34, 24]);
  await page.keyboard.press('Escape');
  await desk.click([38, 20]);
  await page.keyboard.down('Shift');
  await desk.click([30, 23]);
  await page.keyboard.up('Shift');
  const bar = page.getByRole('toolbar', { name: 'Selected marks' });
  await bar.getByRole('button', { name: 'Cut the second out of the first' }).click();
  // The circle with its hole, and the box that was cut out, still a mark of its own.
  await expect.poll(async () => (await numberOf(figure)) / (Math.PI * 100)).toBeCloseTo(1, 2);
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Control+c');
  await openSheet(page, 'S-101');
  await page.keyboard.press('Control+v');
  await expect(page.getByRole('button', { name: 'Undo paste 2 marks' })).toBeVisible();
  await expect.poll(async () => (await numberOf(figure)) / (Math.PI * 200)).toBeCloseTo(1, 2);
  await waitSaved(page);
});

test('pieces without a sheet are typed into a scope, and wrong ones say why', async ({ page }) => {
  await openDemo(page);
  await openSheet(page, 'A-101');
  await page.getByRole('button', { name: 'Furring, creek side', exact: true }).click();
  const piece = page.getByLabel('New piece without a sheet');
  await piece.fill(`96 ft + 2 * 8'`);
  await piece.press('Enter');
  await expect(tallyFigure(page, 'furring')).toHaveText('112′-0″');
  await piece.fill('9 sq ft');
  await piece.press('Enter');
  await expect(tallyFigure(page, 'furring')).toHaveText('formula');
  await expect(page.getByRole('note').filter({ hasText: 'formula' }).first()).toHaveAttribute(
    'title',
    /an area; a length is needed/,
  );
  await page.getByRole('button', { name: 'Undo add a piece' }).click();
  await expect(tallyFigure(page, 'furring')).toHaveText('112′-0″');
});

test('points are drawn to the lines of the sheet; the next place in reach by Tab', async ({ page }) => {
  await openDemo(page);
  const desk = await openSheet(page, 'A-101', true);
  await page.getByRole('button', { name: 'Furring, creek side', exact: true }).click();
  await desk.zoomTo([4, 4], 6);
  await page.keyboard.press('l');
  // Near the outer corner of the block wall, which is drawn 8 in thick about the grid.
  await desk.move([-0.3, -0.5]);
  await expect(page.locator('.snap-sign')).toHaveText('corner');
  await desk.click([-0.3, -0.5]);
  await page.getByRole('button', { name: 'Show the whole sheet' }).click();
  await desk.zoomTo([120, 4], 6);
  await desk.click([124.3, -0.5]);
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await expect(tallyFigure(page, 'furring')).toHaveText('124′-8″');
});

test('beams from the schedule: boxed on the sheet, corrected, a scope for each with its width and depth', async ({
  page,
}) => {
  await openDemo(page);
  const desk = await openSheet(page, 'S-101');
  await page.keyboard.press('t');
  // The schedule stands under the plan; its box in feet of the building.
  await desk.move([44, 99]);
  await page.mouse.down();
  await desk.move([90, 110]);
  await desk.move([135, 121]);
  await page.mouse.up();
  const dialog = page.getByRole('dialog', { name: 'Read a schedule' });
  await expect(dialog.getByLabel('Heading of column 1')).toHaveValue('MARK');
  await expect(dialog.getByLabel('DEPTH, row 3')).toHaveValue('16"');
  await dialog.getByLabel('MARK, row 5').fill('Strip footing');
  await dialog.getByRole('button', { name: 'Make 5 scopes' }).click();
  await expect(dialog).toBeHidden();
  await expect(tallyFigure(page, 'gb_1_2')).toHaveText('not measured yet');
  await page.getByRole('button', { name: 'GB-1', exact: true }).click();
  await expect(page.getByLabel('Depth', { exact: true })).toHaveValue('20"');

  // Measured and figured on: 62 ft of a beam 12 by 20 in.
  await desk.draw('l', [
    [62, 28],
    [124, 28],
  ]);
  await page.keyboard.press('Escape');
  await expect.poll(async () => await feetOf(tallyFigure(page, 'gb_1_2'))).toBeCloseTo(62, 0);
  await page.getByRole('button', { name: 'GRADE BEAM AND FOOTING SCHEDULE' }).click();
  await expect(page.getByLabel('MARK, row 5')).toHaveValue('Strip footing');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Undo draw/ }).click();
  await page.getByRole('button', { name: /^Undo 5 scopes from/ }).click();
  await expect(tallyFigure(page, 'gb_1_2')).toHaveCount(0);
});

test('a measuring wheel sends its readings into a scope; what is no reading is told and left out', async ({
  page,
  context,
  request,
}) => {
  await openDemo(page);
  await openSheet(page, 'A-101');
  await page.getByRole('button', { name: 'Furring, creek side', exact: true }).click();
  await page.getByRole('button', { name: 'Read the wheel' }).click();
  await expect(page.getByText('listening to the wheel')).toBeVisible();
  const wheel = await context.newPage();
  await wheel.goto('/wheel/');
  await wheel.getByRole('button', { name: 'Send the reading' }).click();
  await expect(wheel.locator('#state')).toHaveText('Roll the wheel first.');
  const rim = await wheel.getByRole('button', { name: 'Roll', exact: true }).boundingBox();
  if (rim === null) throw new Error('no wheel');
  await wheel.mouse.move(rim.x + 10, rim.y + 10);
  await wheel.mouse.down();
  await expect(wheel.locator('#length')).toHaveText(/^[1-9]\d*\.\d\d m$/);
  await wheel.mouse.up();
  const rolledM = Number.parseFloat(await wheel.locator('#length').innerText());
  await wheel.getByRole('button', { name: 'Send the reading' }).click();
  await expect(tallyFigure(page, 'furring')).toContainText('′');
  await expect
    .poll(async () => Math.abs((await feetOf(tallyFigure(page, 'furring'))) * 0.3048 - rolledM))
    .toBeLessThan(0.01);
  await request.put('/api/wheel/failing', { data: { on: true } });
  await request.post('/api/wheel/readings', { data: { lengthM: 3 } });
  await request.put('/api/wheel/failing', { data: { on: false } });
  await expect(page.getByText('isn’t a length, so it was ignored', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Undo reading of the wheel' }).click();
  await expect(tallyFigure(page, 'furring')).toHaveText('not measured yet');
});
