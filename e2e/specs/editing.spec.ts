import { expect, test } from '@playwright/test';
import {
  applyAssembly,
  feetOf,
  goTo,
  openDemo,
  openSheet,
  tallyFigure,
  totalOf,
  waitSaved,
} from '../drivers/zest.ts';

test('marks are selected, moved, bent, cut and deleted, and all of it undone by name', async ({ page }) => {
  await openDemo(page);
  const desk = await openSheet(page, 'A-101');
  const p2 = tallyFigure(page, 'p2');
  await expect(p2).toHaveText('236′-0″');
  const before = await totalOf(page);
  const drag = async (from: readonly [number, number], to: readonly [number, number]): Promise<void> => {
    await desk.move(from);
    await page.mouse.down();
    await desk.move([(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]);
    await desk.move(to);
    await page.mouse.up();
  };

  // The wall between the changing rooms: 22 ft, selected, its end pulled 6 ft further.
  const camera = (): Promise<unknown> =>
    page
      .locator('.desk')
      .evaluate(({ dataset }) => [dataset['cameraX'], dataset['cameraY'], dataset['cameraScale']]);
  const lies = await camera();
  await desk.click([88, 40]);
  // The through-line comes up below, and the sheet lies where it lay.
  await expect(
    page.getByRole('navigation', { name: 'Through-line' }).getByRole('button', { name: /bid$/ }),
  ).toBeVisible();
  expect(await camera()).toEqual(lies);
  await drag([88, 56], [88, 62]);
  await expect.poll(async () => await feetOf(p2)).toBeCloseTo(242, 0);
  expect(await totalOf(page)).toBeGreaterThan(before);
  await expect(page.getByRole('button', { name: 'Undo move a vertex' })).toBeVisible();

  // Its middle pulled out: a vertex more. Then that vertex taken away again.
  await drag([88, 48], [92, 48]);
  await expect(page.getByRole('button', { name: 'Undo insert a vertex' })).toBeVisible();
  await desk.click([92, 48]);
  await page.keyboard.press('Delete');
  await expect(page.getByRole('button', { name: 'Undo delete a vertex' })).toBeVisible();
  await expect.poll(async () => await feetOf(p2)).toBeCloseTo(242, 0);

  await desk.click([88, 40]);
  await page.keyboard.press('Delete');
  await expect.poll(async () => await feetOf(p2)).toBeCloseTo(214, 0);

  for (let i = 0; i < 4; i += 1) await page.keyboard.press('Control+z');
  await expect(p2).toHaveText('236′-0″');
  expect(await totalOf(page)).toBe(before);
  for (let i = 0; i < 4; i += 1) await page.keyboard.press('Control+Shift+z');
  await expect.poll(async () => await feetOf(p2)).toBeCloseTo(214, 0);
});

test('while drawing: typed lengths, right angles, points taken back, the pen lifted', async ({ page }) => {
  await openDemo(page);
  const desk = await openSheet(page, 'A-101');
  await page.getByRole('button', { name: 'Furring, creek side', exact: true }).click();
  await page.keyboard.press('l');
  await desk.click([2, 10]);
  await desk.move([30, 10]);
  await expect(page.locator('.cursor-box')).toContainText('this piece');
  await page.keyboard.type(`12'6"`);
  await expect(page.locator('.cursor-box')).toContainText(`12'6"`);
  await page.keyboard.press('Enter');
  await desk.click([30, 11], true);
  await page.keyboard.press('Backspace');
  await page.keyboard.press('.');
  await desk.click([2, 20]);
  await desk.move([2, 50]);
  await page.keyboard.type('10');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(tallyFigure(page, 'furring')).toHaveText('22′-6″');
  await expect(page.getByRole('button', { name: 'Undo draw Furring, creek side' })).toBeVisible();
});

test('counting: one click a thing, Backspace takes the last back', async ({ page }) => {
  await openDemo(page);
  const desk = await openSheet(page, 'A-101');
  await page.getByRole('button', { name: 'Doors, single', exact: true }).click();
  await page.keyboard.press('c');
  await desk.click([20, 20]);
  await desk.click([30, 20]);
  await expect(tallyFigure(page, 'doors')).toHaveText('13 ea');
  await page.keyboard.press('Backspace');
  await expect(tallyFigure(page, 'doors')).toHaveText('12 ea');
});

test('the through-line leads from a line to its marks, and from a mark to the bid', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Estimate');
  await page.getByRole('gridcell', { name: 'Ready-mix concrete' }).first().click();
  const way = page.getByRole('navigation', { name: 'Through-line' });
  await expect(way).toContainText('4,988.4 ft²');
  await expect(way).toContainText('101.62 yd³');
  await expect(way).toContainText('$164.00 / yd³');
  await expect(way).toContainText('$17,020.74');
  await way.getByRole('button', { name: /^1 piece/ }).click();
  await expect(page.getByRole('application', { name: /Sheet S-101/ })).toBeVisible();
  await way.getByRole('button', { name: /bid$/ }).click();
  await expect(page.getByRole('grid', { name: 'Estimate' })).toBeVisible();
  await expect(way).toContainText('Overhead 12 %');
});

test('an assembly is made, priced and applied; a wage changed in one place reaches the bid', async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, 'Assemblies');
  await page.getByRole('button', { name: 'New assembly' }).click();
  await page.getByLabel('Name of the assembly').fill('Furring strips');
  await page.getByLabel('Name of the assembly').press('Enter');
  await page.getByRole('button', { name: 'Add a question' }).click();
  const key = page.getByLabel('Name in formulas of Question 1?');
  await key.fill('gap');
  await key.press('Enter');
  await page.getByLabel('Unit of Question 1?').fill('in');
  await page.getByLabel('Unit of Question 1?').press('Enter');
  await page.getByLabel('Default of Question 1?').fill('24');
  await page.getByLabel('Default of Question 1?').press('Enter');
  await page.getByRole('button', { name: 'Add a component' }).click();
  await page.getByLabel('Unit of Component 1').fill('ft');
  await page.getByLabel('Unit of Component 1').press('Enter');
  await page.getByLabel('Formula of Component 1').fill('ceil(length / gap) * height');
  await page.getByLabel('Formula of Component 1').press('Enter');
  await page.getByLabel('Price of Component 1').fill('furring');
  await page.getByRole('option', { name: /FR-FURR/ }).click();

  const desk = await openSheet(page, 'A-101');
  await page.getByRole('button', { name: 'Furring, creek side', exact: true }).click();
  await applyAssembly(page, 'Furring strips');
  await desk.draw('l', [
    [1, 2],
    [1, 42],
  ]);
  await goTo(page, 'Estimate');
  await page.getByRole('link', { name: /Estimate/ }).focus();
  // 40 ft at 24 in is 20 strips of 9 ft: 180 ft at $298 x 1.02 and 12 h of $54 x 1.04 per 1000.
  // A row that nothing was written into is called by what was chosen for it.
  const row = page.getByRole('row', { name: /Furring 1x3/ });
  await expect(row).toContainText('180.00');
  await expect(row).toContainText('$54.71');

  const before = await totalOf(page);
  await goTo(page, 'Prices');
  await page.getByRole('link', { name: 'Labor and regions' }).click();
  await page.getByLabel('Wage of Mason').fill('60.25');
  await page.getByLabel('Wage of Mason').press('Enter');
  await expect.poll(() => totalOf(page)).toBeGreaterThan(before);
  await waitSaved(page);
});

test('lines are typed, pasted and filled like in a spreadsheet', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await openDemo(page);
  await goTo(page, 'Estimate');
  await page.getByRole('gridcell', { name: 'Silt fence along the creek' }).click();
  await page.getByRole('button', { name: 'Add a line' }).click();
  const grid = page.getByRole('grid', { name: 'Estimate' });
  const fresh = page.getByRole('row', { name: /New line/ });
  await fresh.getByRole('gridcell').nth(1).click();
  await page.keyboard.type('Signs');
  await page.keyboard.press('Tab');
  await page.keyboard.type('2 * 3');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  await page.keyboard.type('45.50');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('row', { name: /Signs/ })).toContainText('$273.00');
  await page.getByRole('row', { name: /Signs/ }).getByRole('gridcell').nth(1).click();
  await grid.focus();
  await page.keyboard.press('Control+c');
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe('Signs');
  // Delete empties cells; rows go with Ctrl.
  await page.keyboard.press('Delete');
  await expect(page.getByRole('row', { name: /Signs/ })).toHaveCount(1);
  await page.keyboard.press('Control+Delete');
  await expect(page.getByRole('row', { name: /Signs/ })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('row', { name: /Signs/ })).toHaveCount(1);
});
