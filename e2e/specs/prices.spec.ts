import { readFile, writeFile } from 'node:fs/promises';
import { type Locator, type Page, expect, test } from '@playwright/test';
import { goTo, newJob, openDemo, totalOf } from '../drivers/zest.ts';

const csv = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
const book = (page: Page): Locator => page.getByRole('grid', { name: 'Price book' });

async function openImport(page: Page): Promise<Locator> {
  await openDemo(page);
  await goTo(page, 'Prices');
  await page.getByRole('button', { name: 'Import' }).click();
  return page.getByRole('dialog', { name: 'Import prices' });
}

test('a price list is read with its columns named, wrong rows told by their number, and the bid shown first', async ({
  page,
}) => {
  const dialog = await openImport(page);
  const before = await totalOf(page);
  await dialog
    .getByLabel('Price list')
    .setInputFiles(
      csv(
        'spring.csv',
        'Spring list;;;\nItem no;Text;U/M;Net price\nSW-SILT;Silt fence;ft;1.30\nZZ-1;New thing;ea;12.50\nZZ-2;Call;ea;on request\nZZ-3;Odd;ea;-4\n',
      ),
    );
  await expect(dialog.getByRole('status').first()).toContainText('1 new item, 1 to update');
  await expect(dialog.getByRole('list', { name: 'Rows that were refused' })).toContainText(
    'Row 5: Material: ‘on request’ isn’t a number.',
  );
  await expect(dialog.getByRole('list', { name: 'Rows that were refused' })).toContainText(
    'Row 6: Material: ‘-4’ is below zero.',
  );
  // 260 ft, 20 cents more each.
  await expect(dialog).toContainText('1 line of this job change');
  await expect(dialog).toContainText('$681.41');
  expect(await totalOf(page)).toBe(before);
  await dialog.getByRole('button', { name: 'Import 2 items' }).click();
  await expect.poll(() => totalOf(page)).toBeGreaterThan(before);
  await page.getByLabel('Search the price book').fill('zz');
  await expect(book(page).getByRole('row', { name: /ZZ-1/ })).toContainText('$12.50');
  await page.getByRole('button', { name: /^Undo import prices/ }).click();
  await expect.poll(() => totalOf(page)).toBe(before);
});

test('what is no price list is refused by name, and reading a long one can be stopped', async ({
  page,
}, testInfo) => {
  const dialog = await openImport(page);
  const file = dialog.getByLabel('Price list');
  await file.setInputFiles(csv('empty.csv', ' '));
  await expect(dialog.getByRole('alert')).toContainText('‘empty.csv’ is empty');
  await file.setInputFiles({
    name: 'broken.xlsx',
    mimeType: 'application/zip',
    buffer: Buffer.from([0x50, 0x4b, 3, 4, 1, 1]),
  });
  await expect(dialog.getByRole('alert')).toContainText('is damaged, or is not a workbook');
  // From the disk: fifty megabytes handed over by the test would keep the page busy longer than reading them.
  const long = testInfo.outputPath('long.csv');
  await writeFile(
    long,
    `Code,Description,Material\n${'A-1000000,"A thing with words, and more",12.50\n'.repeat(1_000_000)}`,
  );
  await file.setInputFiles(long);
  await expect(dialog.getByRole('status')).toContainText(/\d+ rows/);
  await dialog.getByRole('button', { name: 'Stop reading' }).click();
  await expect(dialog.getByText('Drop a price list here, CSV or XLSX')).toBeVisible();
  // And it goes on with another file at once.
  await file.setInputFiles(csv('short.csv', 'Stuff,Sum\nB-7,3\n'));
  await expect(dialog.getByRole('alert')).toContainText('Choose the column with the code');
  await dialog.getByLabel('Column 1, Stuff').selectOption({ label: 'Code' });
  await dialog.getByLabel('Column 2, Sum').selectOption({ label: 'Material' });
  await expect(dialog.getByRole('button', { name: 'Import 1 item' })).toBeEnabled();
});

test('the price book is found by words and sizes, and exported as it is shown', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Prices');
  await page.getByLabel('Search the price book').fill('20x30 footing');
  await expect(page.getByText(/^1 of \d+ items$/)).toBeVisible();
  await expect(book(page).getByRole('row', { name: /FT-20x30/ })).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'More to do with prices' }).click();
  await page.getByRole('menuitem', { name: 'Export what is shown as CSV' }).click();
  const text = (await readFile(await (await download).path())).toString();
  expect(text.split('\r\n')).toHaveLength(2);
  expect(text).toContain('FT-20x30,"Strip footing 20 x 30, formed and placed",ft,1,30.9');
});

test('prices are raised by percent, with the bid shown before; figures that are none are kept out', async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, 'Prices');
  await page.getByLabel('Search the price book').fill('sw-silt');
  const before = await totalOf(page);
  await page.getByRole('button', { name: 'More to do with prices' }).click();
  await page.getByRole('menuitem', { name: 'Raise or lower prices' }).click();
  const dialog = page.getByRole('dialog', { name: 'Raise or lower prices' });
  await dialog.getByRole('textbox').fill('10');
  await expect(dialog).toContainText('1 line of this job change');
  await dialog.getByRole('button', { name: 'Change 1 price' }).click();
  await expect.poll(() => totalOf(page)).toBeGreaterThan(before);
  const row = book(page).getByRole('row', { name: /SW-SILT/ });
  await expect(row).toContainText('$1.21');
  await row.getByRole('gridcell').nth(4).click();
  await page.keyboard.type('a lot');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('‘a lot’ isn’t a number');
});

test('an item that is added is typed at once, and stays in sight of a filter that does not fit it', async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, 'Prices');
  await page.getByLabel('Search the price book').fill('furring');
  await page.getByRole('button', { name: 'Add an item' }).click();
  await page.keyboard.type('ZZ-POST');
  await page.keyboard.press('Tab');
  await page.keyboard.type('Post cap, bronze');
  await page.keyboard.press('Enter');
  const row = book(page).getByRole('row', { name: /ZZ-POST/ });
  await expect(row).toContainText('Post cap, bronze');
  // Looking for another thing lets go of it.
  await page.getByLabel('Search the price book').fill('block 8');
  await expect(row).toHaveCount(0);
});

test('a crew works by its days, a wage moves it, and a region moves all of the book', async ({ page }) => {
  await newJob(page, 'Crews');
  await goTo(page, 'Prices');
  await page.getByRole('link', { name: 'Labor and regions' }).click();
  await page.getByRole('button', { name: 'Add a crew' }).click();
  await page.getByLabel('How many, 1 of Crew 1').fill('3');
  await page.getByLabel('How many, 1 of Crew 1').press('Enter');
  await page.getByRole('combobox', { name: 'Craft 1 of Crew 1' }).selectOption({ label: 'Laborer' });
  // Three at 41.50 for eight hours.
  await expect(page.getByRole('region', { name: 'Crews', exact: true })).toContainText('$996.00');
  await goTo(page, 'Estimate');
  await page.getByRole('button', { name: 'Add a line' }).click();
  await page
    .getByRole('row', { name: /New line/ })
    .getByRole('gridcell')
    .nth(3)
    .click();
  await page.keyboard.type('day');
  await page.keyboard.press('Enter');
  await page
    .getByRole('row', { name: /New line/ })
    .getByRole('gridcell')
    .nth(1)
    .click();
  await page.getByRole('tab', { name: 'Line' }).click();
  await page.getByLabel('Done by').selectOption({ label: 'Crew 1' });
  await expect(page.getByRole('row', { name: /New line/ })).toContainText('$996.00');
  await goTo(page, 'Prices');
  await page.getByRole('link', { name: 'Labor and regions' }).click();
  await page.getByLabel('Wage of Laborer').fill('50');
  await page.getByLabel('Wage of Laborer').press('Enter');
  await expect(page.getByRole('region', { name: 'Crews', exact: true })).toContainText('$1,200.00');
  await page.getByRole('button', { name: 'Add a region' }).click();
  await page.getByLabel('Factor on labor in Region 1').fill('1.1');
  await page.getByLabel('Factor on labor in Region 1').press('Enter');
  await page.getByLabel('Prices in this job are for').selectOption({ label: 'Region 1' });
  await goTo(page, 'Estimate');
  await expect(page.getByRole('row', { name: /New line/ })).toContainText('$1,320.00');
});
