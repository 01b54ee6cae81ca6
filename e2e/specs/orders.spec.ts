import ExcelJS from 'exceljs';
import { readFile } from 'node:fs/promises';
import { type Page, expect, test } from '@playwright/test';
import { goTo, openDemo, totalOf, waitSaved } from '../drivers/zest.ts';

const table = (page: Page) => page.getByRole('region', { name: 'Answers side by side' });

/** The round of the demo: the lumber, with two answers in. */
async function openRound(page: Page): Promise<void> {
  await openDemo(page);
  await goTo(page, 'Orders');
  await page
    .getByRole('navigation', { name: 'Orders' })
    .getByRole('button', { name: /^Lumber/ })
    .click();
}

/** Asks three suppliers for the lumber: two answer by themselves, one types into its page. */
async function askThree(page: Page): Promise<void> {
  await goTo(page, 'Orders');
  await page.getByRole('combobox', { name: 'Supplier' }).selectOption('Larch & Fetter Lumber');
  await page.getByText('Choose all 8 shown').click();
  await page.getByRole('button', { name: 'Ask for prices of 8 materials' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('checkbox', { name: 'Larch & Fetter Lumber' })).toBeChecked();
  await dialog.getByRole('checkbox', { name: 'Cobble Yard Supply' }).check({ force: true });
  await dialog.getByLabel('Another supplier').fill('Tidewrack Timber');
  await dialog.getByLabel('Another supplier').press('Enter');
  await dialog.getByLabel('Name', { exact: true }).fill('Lumber, second round');
  await dialog.getByLabel('Answers wanted by').fill('soon');
  await dialog.getByRole('button', { name: 'Send to the quote desk' }).click();
  await expect(dialog.getByRole('alert')).toHaveText('Write the day as 2026-12-10.');
  await dialog.getByLabel('Answers wanted by').fill('2030-01-15');
  await dialog.getByRole('button', { name: 'Send to the quote desk' }).click();
  await expect(page.getByRole('heading', { name: 'Lumber, second round' })).toBeVisible();
}

test('prices from three suppliers: asked, answered, compared, taken into the price book, ordered', async ({
  page,
  context,
}) => {
  await openDemo(page);
  const before = await totalOf(page);
  await askThree(page);
  await expect(page.getByText('2 of 3 answered')).toBeVisible({ timeout: 20_000 });
  // The third has a page of its own.
  const opened = context.waitForEvent('page');
  await table(page).getByRole('link', { name: 'Their page' }).last().click();
  const supplier = await opened;
  await expect(supplier.getByRole('heading', { name: 'Lumber, second round' })).toBeVisible();
  await supplier.getByLabel('Price of Stud 2x6, 9 ft', { exact: true }).fill('a good one');
  await supplier.getByRole('button', { name: 'Send prices' }).click();
  await expect(supplier.getByRole('alert')).toContainText('The price for Stud 2x6, 9 ft isn’t a number.');
  await supplier.getByLabel('Price of Stud 2x6, 9 ft', { exact: true }).fill('0.05');
  await supplier.getByLabel('Note', { exact: true }).fill('Only studs');
  await supplier.getByRole('button', { name: 'Send prices' }).click();
  await expect(supplier.getByText('Your price is with Quillfeather Builders.')).toBeVisible();
  await supplier.close();
  await expect(page.getByText('3 of 3 answered')).toBeVisible({ timeout: 20_000 });
  // A unit that was not asked is told, and comes into no sum.
  await expect(
    table(page)
      .getByText(/per pallet: not the unit asked/)
      .first(),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Take the lowest of each' }).click();
  const studs = table(page).getByRole('button', {
    name: 'Take the price of Tidewrack Timber for Stud 2x6, 9 ft',
  });
  await expect(studs).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Update the price book' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('the bid goes from $1,599,040.00 to');
  expect(await totalOf(page)).toBe(before);
  await dialog.getByRole('button', { name: 'Take 8 prices' }).click();
  await expect.poll(() => totalOf(page)).not.toBe(before);
  await page.getByRole('button', { name: 'Make orders' }).click();
  const list = page.getByRole('navigation', { name: 'Orders' });
  await expect(list.getByRole('button', { name: /Tidewrack Timber/ })).toBeVisible();
  await list.getByRole('button', { name: /Tidewrack Timber/ }).click();
  await expect(page.getByRole('article', { name: /Tidewrack Timber/ })).toContainText('Stud 2x6, 9 ft');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save UBL' }).click();
  const xml = await readFile(await (await download).path(), 'utf8');
  expect(xml).toContain('<cbc:Name>Tidewrack Timber</cbc:Name>');
  expect(xml).toContain('<cbc:PriceAmount currencyID="USD">0.05</cbc:PriceAmount>');
  // What is ordered is not ordered again.
  await list.getByRole('button', { name: /second round/ }).click();
  await page.getByRole('button', { name: 'Make orders' }).click();
  await expect(page.getByText('Everything chosen is already ordered.')).toBeVisible();
  // The price book says who and when, and the state before is there to compare with.
  await waitSaved(page);
  await goTo(page, 'Prices');
  await page.getByLabel('Search the price book').fill('Stud 2x6');
  await expect(page.getByRole('row', { name: /Stud 2x6, 9 ft/ })).toContainText('Tidewrack Timber');
});

test('a desk that is down loses nothing: the request is kept, and sent again nobody is asked twice', async ({
  page,
}) => {
  await openDemo(page);
  // Here, and not at the desk itself, which others ask at the same time.
  const door = '**/api/desk/**';
  await page.route(door, (route) => route.fulfill({ status: 500, body: 'down' }));
  await askThree(page);
  await expect(page.getByText('The quote desk failed.')).toBeVisible();
  await expect(table(page).getByText('not sent')).toHaveCount(3);
  await page.unroute(door);
  await page.getByRole('button', { name: 'Send again' }).click();
  await expect(page.getByText('Sent to 3 suppliers.')).toBeVisible();
  await expect(page.getByText('2 of 3 answered')).toBeVisible({ timeout: 20_000 });
  await expect(page.getByRole('button', { name: 'Send again' })).toHaveCount(0);
});

test('a round that came in is there with the demo, and a price is taken and given back by pressing it', async ({
  page,
}) => {
  await openRound(page);
  await expect(page.getByText('2 of 3 answered')).toBeVisible();
  await expect(table(page)).toContainText('Plates only in full bundles.');
  await expect(table(page)).not.toContainText('needed then');
  await expect(table(page).getByRole('row', { name: /Missing rows, at the lowest/ })).toContainText('2 rows');
  const price = table(page).getByRole('button', {
    name: /^Take the price of Larch & Fetter Lumber for Blocking/,
  });
  await price.click();
  await expect(price).toHaveAttribute('aria-pressed', 'true');
  await price.click();
  await expect(price).toHaveAttribute('aria-pressed', 'false');
  await table(page).getByRole('button', { name: 'Take all of Gable End Building Supply' }).click();
  await expect(table(page).getByRole('button', { pressed: true })).toHaveCount(6);
  await page.getByRole('button', { name: /^Undo choose prices/ }).click();
  await expect(table(page).getByRole('button', { pressed: true })).toHaveCount(0);
  // Sent again, only the one who has not answered is asked.
  await page.getByRole('button', { name: 'Send again' }).click();
  await expect(page.getByText('Sent to one supplier.')).toBeVisible();
  await expect(table(page)).toContainText('no answer yet');
  await expect(table(page).getByRole('link', { name: 'Their page' })).toHaveCount(1);
  await expect(table(page)).toContainText('Plates only in full bundles.');
});

test('packs are ordered whole, what is in stock is not, and stays with the job', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Prices');
  await page.getByLabel('Search the price book').fill('Plate 2x6, per foot');
  await page
    .getByRole('row', { name: /Plate 2x6, per foot/ })
    .getByText('Plate 2x6, per foot')
    .click();
  await page.getByLabel('Pack size, ft').fill('a few');
  await page.getByLabel('Pack size, ft').press('Enter');
  await expect(page.getByRole('alert')).toContainText('a few');
  await page.getByLabel('Pack size, ft').fill('500');
  await page.getByLabel('Pack size, ft').press('Enter');
  await goTo(page, 'Orders');
  await page.getByLabel('Search materials').fill('plate 2x6,');
  const row = page.getByRole('row', { name: /Plate 2x6, per foot/ });
  // 1,216 ft are in the bid: three packs of 500.
  await expect(row).toContainText('1,216.00 ft');
  await expect(row).toContainText('1,500.00 ft');
  await expect(row).toContainText('3 of 500.00 ft');
  const typeStock = async (text: string): Promise<void> => {
    await row.getByRole('gridcell').nth(6).click();
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  };
  await typeStock('plenty');
  await expect(page.getByRole('alert')).toContainText('plenty isn’t a quantity.');
  await page.keyboard.press('Escape');
  await typeStock('300');
  await expect(row).toContainText('2 of 500.00 ft');
  await page.getByLabel('Deliveries by').selectOption('level');
  await expect(row).not.toContainText('06 ');
  await waitSaved(page);
  await page.reload();
  await page.getByLabel('Search materials').fill('plate 2x6,');
  await expect(row).toContainText('2 of 500.00 ft');
  await page.getByRole('button', { name: /^Undo stock of Plate 2x6/ }).click();
  await expect(row).toContainText('3 of 500.00 ft');
});

test('one row comes from two suppliers, each with its own price and order', async ({ page }) => {
  await openRound(page);
  await expect(table(page).getByRole('button', { name: /^Take part of/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Take the lowest of each' }).click();
  const blocking = 'Take part of Blocking 2x6, per foot from Gable End Building Supply';
  await table(page).getByRole('button', { name: blocking }).click();
  const dialog = page.getByRole('dialog', { name: blocking });
  await dialog.getByLabel('Quantity, ft').fill('256');
  await dialog.getByRole('button', { name: 'Take it' }).click();
  await expect(dialog).toContainText('Type less than 256.00 ft, or take all of it from Gable End');
  await dialog.getByLabel('Quantity, ft').fill('some');
  await dialog.getByRole('button', { name: 'Take it' }).click();
  await expect(dialog).toContainText('Type how much of it, as 20.');
  await dialog.getByLabel('Quantity, ft').fill('200');
  await dialog.getByLabel('Quantity, ft').press('Enter');
  await expect(dialog).toHaveCount(0);
  const row = table(page).getByRole('row', { name: /^Blocking 2x6/ });
  await expect(row).toContainText('taken: 56.00 ft');
  await expect(row).toContainText('taken: 200.00 ft');
  await page.getByRole('button', { name: 'Make orders' }).click();
  const list = page.getByRole('navigation', { name: 'Orders' });
  // 56 ft at 0.80, and 200 ft at 0.85.
  await list.getByRole('button', { name: /Larch & Fetter Lumber/ }).click();
  await expect(page.getByRole('article', { name: /Larch & Fetter/ })).toContainText('$44.80');
  await list.getByRole('button', { name: /Gable End Building Supply/ }).click();
  await expect(page.getByRole('article', { name: /Gable End/ })).toContainText('$170.00');
  // Its price taken whole of the other, the row is of one supplier again.
  await list.getByRole('button', { name: /^Lumber/ }).click();
  await table(page)
    .getByRole('button', { name: /^Take the price of Gable End Building Supply for Blocking/ })
    .click();
  await expect(row).not.toContainText('200.00 ft');
});

test('a supplier who fills in a workbook: what fits is taken, what does not is told by its row', async ({
  page,
}) => {
  await openRound(page);
  const more = page.getByRole('button', { name: 'More with this request' });
  const download = page.waitForEvent('download');
  await more.click();
  await page.getByRole('menuitem', { name: 'Save as XLSX to fill' }).click();
  const workbook = new ExcelJS.Workbook();
  await workbook.xlsx.readFile(await (await download).path());
  const sheet = workbook.worksheets[0];
  if (sheet === undefined) throw new Error('the workbook has no sheet');
  const rowOf = (line: string): ExcelJS.Row => {
    let found: ExcelJS.Row | undefined;
    sheet.eachRow((row) => {
      if (row.getCell(1).value === line) found = row;
    });
    if (found === undefined) throw new Error(`no row ${line}`);
    return found;
  };
  rowOf('r1').getCell(6).value = 0.5;
  rowOf('r2').getCell(6).value = 'ask us';
  rowOf('r3').getCell(2).value = 'OTHER-PART';
  rowOf('r3').getCell(6).value = 1;
  sheet.addRow(['', 'NEW', 'Bolts of ours', 5, 'ea', 2]);
  const filled = Buffer.from(await workbook.xlsx.writeBuffer());
  await more.click();
  await page.getByRole('menuitem', { name: 'Read a filled XLSX…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Read a filled XLSX' });
  await dialog.getByLabel('Whose prices are these').selectOption({ label: 'Quiet Harbor Goods' });
  const file = (name: string, buffer: Buffer) => ({
    name,
    buffer,
    mimeType: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  });
  await dialog
    .getByLabel('Choose a file…', { exact: true })
    .setInputFiles(file('broken.xlsx', Buffer.from('PK nonsense')));
  await expect(dialog.getByRole('alert')).toContainText('broken.xlsx');
  await dialog.getByLabel('Choose a file…', { exact: true }).setInputFiles(file('filled.xlsx', filled));
  await expect(dialog).toContainText('‘ask us’ isn’t a price. It is left out.');
  await expect(dialog).toContainText('has part OTHER-PART, and none was asked.');
  await expect(dialog).toContainText('was added: Bolts of ours.');
  await dialog.getByRole('button', { name: 'Take one price' }).click();
  await expect(page.getByText('3 of 3 answered')).toBeVisible();
  await expect(
    table(page).getByRole('button', { name: /^Take the price of Quiet Harbor Goods for/ }),
  ).toHaveCount(1);
});
