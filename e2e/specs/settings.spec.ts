import { expect, test } from '@playwright/test';
import { goTo, newJob, openDemo, waitSaved } from '../drivers/zest.ts';

test('a job is measured in other units, priced in another currency and written in other numbers after it was made', async ({
  page,
}) => {
  await newJob(page, 'Second thoughts');
  await goTo(page, 'Prices');
  const book = page.getByRole('grid', { name: 'Price book' });
  await page.getByLabel('Search the price book').fill('CN-RM-30');
  await expect(book.getByRole('row', { name: /CN-RM-30/ })).toContainText('$152.00');
  await goTo(page, 'Job');
  await page.getByLabel('Units').selectOption('metric');
  await page.getByLabel('Currency').selectOption('EUR');
  await page.getByLabel('Numbers are written').selectOption('comma');
  await expect(page.getByText('12,80 m · 1.234,56 m²')).toBeVisible();
  await goTo(page, 'Prices');
  await page.getByLabel('Search the price book').fill('CN-RM-30');
  // Sold by the cubic meter, in the numbers of the job.
  await expect(book.getByRole('row', { name: /CN-RM-30/ })).toContainText('198,81');
  await waitSaved(page);
  await page.reload();
  await expect(page.locator('[data-total]')).toContainText('0,00');
});

test('another currency is asked about where prices are one’s own, and nothing is relabeled in silence', async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, 'Job');
  await page.getByLabel('Currency').selectOption('GBP');
  const meant = page.getByRole('checkbox', { name: /figures that you set are in GBP already/ });
  await expect(meant).toBeVisible();
  await expect(page.locator('[data-total]')).toContainText('$');
  // Once it is said it is done, and the question is gone.
  await meant.click({ force: true });
  await expect(page.locator('[data-total]')).toContainText('£');
});

test('tax on all that is sold, the number and the revision stand on the bid', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Job');
  await page.getByRole('checkbox', { name: 'Add value-added tax below the total' }).check({ force: true });
  await page.getByLabel('Rate, percent').fill('20');
  await page.getByLabel('Rate, percent').press('Enter');
  await page.getByLabel('Bid number').fill('26-114');
  await page.getByLabel('Bid number').press('Enter');
  await page.getByLabel('Revision').fill('two');
  await page.getByLabel('Revision').press('Enter');
  await expect(page.getByRole('alert')).toHaveText('Type a whole number, 0 for the first time.');
  await page.getByLabel('Revision').fill('2');
  await page.getByLabel('Revision').press('Enter');
  await waitSaved(page);
  await goTo(page, 'Bid');
  const paper = page.getByRole('article', { name: /^Bid 26-114, revision 2/ });
  await expect(paper).toContainText('VAT 20 %');
  await expect(paper).toContainText('Total with VAT, USD');
  await expect(paper).toContainText('Tile instead of rubber');
  // The demo's prices are its builders' own.
  await expect(paper).not.toContainText('sample prices');
});
