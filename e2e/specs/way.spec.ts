import { expect, test } from '@playwright/test';
import { goTo, newJob, openDemo, totalOf, waitSaved } from '../drivers/zest.ts';

test('a new job says what comes next, step by step, and stops once its bid has a date', async ({ page }) => {
  await newJob(page, 'First steps');
  await goTo(page, 'Next');
  const steps = page.getByRole('list', { name: 'Steps' });
  const now = steps.locator('[aria-current=step]');
  await expect(now).toContainText('Add the drawings');
  await steps.getByRole('button', { name: 'Open the estimate' }).click();
  await page.getByRole('button', { name: 'Add a line' }).click();
  await page.keyboard.type('Clearing');
  await page.keyboard.press('Enter');
  await goTo(page, 'Next');
  await expect(steps).toContainText('1 line has no price');
  await waitSaved(page);
});

test('rows are picked one by one, sections collapse, and lumber goes up by its words, for lines to come too', async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, 'Estimate');
  const grid = page.getByRole('grid', { name: 'Estimate' });
  await grid.getByRole('gridcell', { name: 'Superintendent' }).click();
  await grid.getByRole('gridcell', { name: 'Toilets, two' }).click({ modifiers: ['Control'] });
  await grid.getByRole('gridcell', { name: 'Lift and hoisting' }).click({ modifiers: ['Control'] });
  const bar = page.getByRole('toolbar', { name: 'Selected lines' });
  await expect(bar).toContainText('3 lines');
  await grid.getByRole('gridcell', { name: 'Toilets, two' }).click({ modifiers: ['Control'] });
  await expect(bar).toContainText('2 lines');

  await grid.getByRole('button', { name: 'Collapse General conditions' }).click();
  await expect(grid.getByRole('gridcell', { name: 'Superintendent' })).toHaveCount(0);
  await page.reload();
  await expect(grid.getByRole('button', { name: 'Expand General conditions' })).toBeVisible();
  await grid.getByRole('button', { name: 'Expand General conditions' }).click();
  await expect(grid.getByRole('gridcell', { name: 'Superintendent' })).toBeVisible();

  const before = await totalOf(page);
  await grid.getByRole('gridcell', { name: 'Superintendent' }).click();
  await bar.getByRole('button', { name: 'Adjust by percent' }).click();
  const dialog = page.getByRole('dialog', { name: 'Adjust by percent' });
  await dialog.getByLabel('Percent').fill('8');
  await dialog.getByLabel('On', { exact: true }).selectOption('words');
  await dialog.getByLabel('Words').fill('zzz');
  await dialog.getByRole('button', { name: 'Adjust', exact: true }).click();
  await expect(dialog).toContainText('No item in the price book matches zzz.');
  await dialog.getByLabel('Words').fill('stud');
  await expect(dialog).toContainText(/Changes [1-9]\d* lines? now/);
  await dialog.getByRole('button', { name: 'Adjust', exact: true }).click();
  await expect(dialog).toHaveCount(0);
  await expect.poll(() => totalOf(page)).toBeGreaterThan(before);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(() => totalOf(page)).toBe(before);
});

test('the client sees every line with its price, or zones, and the total is the same', async ({ page }) => {
  await openDemo(page);
  const total = await totalOf(page);
  await goTo(page, 'Bid');
  const paper = page.getByRole('article', { name: /^Bid/ });
  for (const detail of ['items', 'split', 'lines', 'zones', 'levels']) {
    await page.getByLabel('The client sees').selectOption(detail);
    await expect(paper).toContainText('$1,599,040.00');
  }
  await page.getByLabel('The client sees').selectOption('items');
  await expect(paper).toContainText('30 week');
  expect(await totalOf(page)).toBe(total);
});

test('a doubt is put right in one press, and what was not looked at is named', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Second look');
  const doubts = page.getByRole('region', { name: 'Doubts' });
  const twice = doubts.getByRole('region', { name: 'Counted twice with an alternate' });
  await twice.getByRole('button', { name: 'The option removes it' }).click();
  await expect(twice).toHaveCount(0);
  await expect(doubts).toContainText('There was nothing to ask about');
});

test('the finder finds lines, what is printed on a sheet, and places by what people ask for', async ({
  page,
}) => {
  await openDemo(page);
  const find = async (text: string): Promise<void> => {
    await page.keyboard.press('Control+K');
    await page.getByRole('combobox', { name: 'Find anything' }).fill(text);
  };
  const found = page.getByRole('listbox', { name: 'Found' });
  await find('material list');
  await expect(found.getByRole('option').first()).toContainText('Material list');
  await page.keyboard.press('Escape');
  await find('superintendent');
  await found.getByRole('option', { name: /Superintendent.*line/ }).click();
  await expect(page.getByRole('heading', { name: 'Superintendent' })).toBeVisible();
  await find('rubber');
  await expect(found.getByRole('option', { name: /on a sheet/ }).first()).toBeVisible();
});
