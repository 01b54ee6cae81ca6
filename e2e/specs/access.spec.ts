import AxeBuilder from '@axe-core/playwright';
import { type Page, expect, test } from '@playwright/test';
import { goTo, newJob, openDemo, openSheet } from '../drivers/zest.ts';

async function expectAccessible(page: Page, where: string): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(serious.map(({ id, nodes }) => `${where}: ${id} at ${nodes[0]?.html.slice(0, 160)}`)).toEqual([]);
}

for (const theme of ['light', 'dark'] as const) {
  test(`axe finds nothing serious in the ${theme} theme, and no page scrolls`, async ({ page }) => {
    await page.addInitScript((kept) => localStorage.setItem('zest-theme', kept), theme);
    await page.goto('/jobs');
    await expect(page.getByRole('row')).toHaveCount(2);
    await expectAccessible(page, 'jobs');
    await page.getByRole('button', { name: 'New job' }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await expectAccessible(page, 'new job');
    await page.keyboard.press('Escape');
    await openDemo(page);
    await expectAccessible(page, 'sheets');
    await openSheet(page, 'A-101');
    await page.getByRole('button', { name: 'Partition P2, 2x6', exact: true }).click();
    await expectAccessible(page, 'measure');
    for (const stage of ['Assemblies', 'Prices', 'Estimate', 'Bid']) {
      await goTo(page, stage);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await expectAccessible(page, stage);
      const scrolls = await page.evaluate(
        () =>
          document.documentElement.scrollHeight > innerHeight ||
          document.documentElement.scrollWidth > innerWidth,
      );
      expect(scrolls).toBe(false);
    }
  });
}

test('everything save placing points is done by keys alone', async ({ page }) => {
  await newJob(page, 'Keys only');
  await page.keyboard.press('Alt+4');
  await expect(page.getByRole('heading', { name: 'Prices' })).toBeVisible();
  await page.keyboard.press('Alt+5');
  await page.getByRole('button', { name: 'Add a line' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('grid', { name: 'Estimate' }).focus();
  await page.keyboard.press('Home');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.type('Permit');
  await page.keyboard.press('Tab');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.type('250');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('row', { name: /Permit/ })).toContainText('$250.00');
  // Overhead and contingency on cost, profit on all above: 250 x 1.15 x 1.06.
  await expect(page.locator('[data-total]')).toHaveText('$304.75');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('slab');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Name of the assembly')).toHaveValue('Slab on grade');
  await page.getByRole('link', { name: 'Assemblies' }).focus();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('lift the pen');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Alt+5');
  await expect(page.locator('[data-total]')).toHaveText('$0.00');
});
