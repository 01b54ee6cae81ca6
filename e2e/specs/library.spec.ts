import { expect, test } from '@playwright/test';
import { applyAssembly, feetOf, goTo, measureNew, openDemo, openSheet, totalOf } from '../drivers/zest.ts';
import { FEEDER } from '@zest/demo/boathouse/electrical';

test('a feeder becomes conduit, wire and hours from the trade library, priced at once', async ({ page }) => {
  await openDemo(page);
  const desk = await openSheet(page, 'E-101');
  await page.getByRole('button', { name: /Use the printed/ }).click();
  const figure = await measureNew(page, desk, 'Run', [FEEDER]);
  await expect(figure).toHaveText(/′/);
  expect(await feetOf(figure)).toBeCloseTo(111, 0);
  const before = await totalOf(page);
  // Found by a word of the trade that is not in its name.
  const field = page.getByRole('combobox', { name: 'Apply an assembly' });
  await field.fill('emt');
  await expect(page.getByRole('listbox', { name: /^Assemblies for/ }).getByRole('option')).toHaveText([
    'Conduit runin this job',
  ]);
  await field.press('Enter');
  await expect(page.getByRole('button', { name: 'Undo apply Conduit run' })).toBeVisible();
  await expect.poll(() => totalOf(page)).toBeGreaterThan(before);
  await goTo(page, 'Estimate');
  const grid = page.getByRole('grid', { name: 'Estimate' });
  await expect(grid.getByRole('gridcell', { name: 'Conductors' }).first()).toBeVisible();
  // It is the job's own now: a question can be answered differently, and undone.
  await page.keyboard.press('Control+z');
  await expect.poll(() => totalOf(page)).toBe(before);
});

test('a roof is covered from the library; what fits no roof is not offered', async ({ page }) => {
  await openDemo(page);
  await openSheet(page, 'A-201');
  await page.getByRole('button', { name: 'Roof, shingles, hip', exact: true }).click();
  const field = page.getByRole('combobox', { name: 'Apply an assembly' });
  await field.fill('conduit');
  await expect(page.getByRole('listbox', { name: /^Assemblies for/ }).getByRole('option')).toHaveText([
    'No matching assemblies for roof slopes.',
  ]);
  await field.press('Escape');
  const before = await totalOf(page);
  await applyAssembly(page, 'Shingle roof');
  await expect.poll(() => totalOf(page)).toBeGreaterThan(before);
  // The job has one on this scope already; the new one stands under it, a moment after the total.
  const roofs = page.getByRole('button', { name: '▸ Shingle roof' });
  await expect(roofs).toHaveCount(2);
  await roofs.last().click();
  const covered = await totalOf(page);
  await page.getByRole('combobox', { name: 'Shape of the roof?' }).selectOption('Hip, 15 %');
  await expect.poll(() => totalOf(page)).toBeGreaterThan(covered);
});
