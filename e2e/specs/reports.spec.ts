import AxeBuilder from '@axe-core/playwright';
import { type Download, type Page, expect, test } from '@playwright/test';
import ExcelJS from 'exceljs';
import { spawnSync } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import { goTo, openDemo, openSheet, totalOf, waitSaved } from '../drivers/zest.ts';

test.use({ contextOptions: { reducedMotion: 'reduce' } });

const list = (page: Page) => page.getByRole('navigation', { name: 'Reports' });

async function openReport(page: Page, name: string): Promise<void> {
  await goTo(page, 'Reports');
  await list(page).getByRole('button', { name, exact: true }).click();
  await expect(page.getByRole('grid', { name, exact: true })).toBeVisible();
}

async function save(page: Page, format: string): Promise<Download> {
  await page.getByRole('button', { name: 'Save as' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: format }).click(),
  ]);
  return download;
}

/** What the foot of a report says in a column, in cents. */
async function footOf(page: Page, column: number): Promise<number> {
  const text = await page.locator('[data-foot]').getByRole('gridcell').nth(column).innerText();
  return Math.round(Number(text.replace(/[^\d.]/g, '')) * 100);
}

test('start from the report: group it, filter it, type into it, and what is typed is in the bid', async ({
  page,
}) => {
  await openDemo(page);
  await openReport(page, 'Estimate in full');
  const before = await totalOf(page);
  const grid = page.getByRole('grid', { name: 'Estimate in full' });
  // A quantity that somebody typed is typed over here; the foot and the bid follow.
  const row = grid.getByRole('row', { name: /^Superintendent/ });
  const cost = await footOf(page, 8);
  await row.getByRole('gridcell').nth(1).click();
  await page.keyboard.type('31');
  await page.keyboard.press('Enter');
  await expect(row.getByRole('gridcell').nth(1)).toHaveText('31 week');
  await expect.poll(() => footOf(page, 8)).toBe(cost + 265_000);
  expect(await totalOf(page)).toBeGreaterThan(before);
  await page.keyboard.press('Control+z');
  await expect.poll(() => totalOf(page)).toBe(before);

  // The report that ships becomes one of the job by its first change.
  await page.getByLabel('Group by a column').selectOption('Description');
  await expect(list(page).getByText('In this job')).toBeVisible();
  await page.getByRole('button', { name: 'Don’t group by Description' }).click();
  await page.getByRole('button', { name: 'Filter' }).click();
  const dialog = page.getByRole('dialog', { name: /^Filter/ });
  await dialog.getByRole('button', { name: 'Add a condition' }).click();
  await dialog.getByLabel('What the condition is about').fill('kind of cost');
  await page.keyboard.press('Enter');
  await dialog.getByLabel('How Kind of cost is compared').selectOption('is');
  await dialog.getByLabel('What Kind of cost is compared with').fill('subcontract');
  await page.keyboard.press('Enter');
  await expect(dialog.getByRole('status')).toContainText('Only where Kind of cost is subcontract');
  await dialog.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByText(/rows left out/)).toBeVisible();
  await waitSaved(page);
  await page.reload();
  await expect(page.getByText('Kind of cost is subcontract')).toBeVisible();
});

test('a calculated column and a weighted mean, with what is wrong told at once', async ({ page }) => {
  await openDemo(page);
  await openReport(page, 'One line a section');
  await page.getByRole('button', { name: 'Columns' }).click();
  const dialog = page.getByRole('dialog', { name: /^Columns/ });
  await dialog.getByRole('button', { name: 'Calculated column' }).click();
  const formula = dialog.getByLabel('Formula of calculated');
  await formula.fill('cost + hours');
  await page.keyboard.press('Enter');
  await expect(dialog.getByRole('alert')).toContainText('calculated');
  await formula.fill('price - cost');
  await page.keyboard.press('Enter');
  await expect(dialog.getByRole('alert')).toHaveCount(0);
  await dialog.getByLabel('At the foot of calculated').selectOption('Sum');
  await dialog.getByRole('button', { name: 'Done' }).click();
  const [cost, price, more] = [await footOf(page, 2), await footOf(page, 4), await footOf(page, 5)];
  expect(more).toBe(price - cost);
  expect(price).toBe(await totalOf(page));
});

test('the same figures in every format, by other programs', async ({ page, context }) => {
  await openDemo(page);
  await openReport(page, 'Cost by code');
  const cost = await footOf(page, 4);

  const xlsx = await save(page, 'XLSX with live formulas');
  const workbook = new ExcelJS.Workbook();
  await workbook.xlsx.readFile(await xlsx.path());
  const sheet = workbook.worksheets[0];
  const foot = sheet?.getRow(sheet.rowCount).getCell(5);
  expect(foot?.formula).toMatch(/^SUBTOTAL\(9,E\d+:E\d+\)$/);
  expect(Math.round(Number(foot?.result) * 100)).toBe(cost);

  const xml = await save(page, 'XML');
  const checked = spawnSync('xmllint', ['--noout', '--schema', 'docs/report.xsd', await xml.path()]);
  expect(checked.stderr.toString()).toContain('validates');

  const pdf = await save(page, 'PDF');
  expect((await readFile(await pdf.path())).subarray(0, 5).toString()).toBe('%PDF-');

  const html = await save(page, 'HTML, one page');
  const other = await context.newPage();
  await other.setContent(await readFile(await html.path(), 'utf8'));
  await expect(other.getByRole('row').last()).toContainText((cost / 100).toLocaleString('en-US'));
  expect((await new AxeBuilder({ page: other }).analyze()).violations).toEqual([]);
});

test('cost by code into our own workbook', async ({ page }, info) => {
  const path = info.outputPath('ours.xlsx');
  const ours = new ExcelJS.Workbook();
  const sheet = ours.addWorksheet('Our bid form');
  ['03', '06', '99'].forEach((code, at) => {
    sheet.getCell(`B${at + 4}`).value = code;
    sheet.getCell(`D${at + 4}`).numFmt = '#,##0.00';
  });
  sheet.getCell('D8').value = { formula: 'SUM(D4:D6)', result: 0 };
  ours.definedNames.add(`'Our bid form'!$B$4:$B$6`, 'cost_code');
  ours.definedNames.add(`'Our bid form'!$D$4:$D$6`, 'cost');
  await ours.xlsx.writeFile(path);

  await openDemo(page);
  await openReport(page, 'Cost by code');
  await page.getByRole('button', { name: 'Save as' }).click();
  await page.getByRole('menuitem', { name: 'Into your own XLSX' }).click();
  const dialog = page.getByRole('dialog', { name: /^Into your own workbook/ });
  await dialog.getByLabel('Workbook to fill').setInputFiles({
    name: 'letter.xlsx',
    mimeType: 'application/octet-stream',
    buffer: Buffer.from('not a workbook'),
  });
  await expect(dialog.getByText(/isn’t an XLSX workbook/)).toBeVisible();
  await dialog.getByLabel('Workbook to fill').setInputFiles(path);
  await expect(dialog.getByRole('status')).toContainText('2 cells will be filled: cost.');
  await expect(dialog.getByRole('status')).toContainText('Nothing in this report for: 99.');
  await expect(dialog.getByRole('status')).toContainText('These are not written.');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    dialog.getByRole('button', { name: 'Save the filled copy' }).click(),
  ]);
  const filled = new ExcelJS.Workbook();
  await filled.xlsx.readFile(await download.path());
  const form = filled.getWorksheet('Our bid form');
  expect(form?.getCell('D4').value).toBeGreaterThan(1000);
  expect(form?.getCell('D4').numFmt).toBe('#,##0.00');
  expect(form?.getCell('D8').formula).toBe('SUM(D4:D6)');
});

test('a report beside a sheet selects marks, and is narrowed to those that are selected', async ({
  page,
}) => {
  await openDemo(page);
  await openSheet(page, 'A-101');
  await page.getByLabel('Split view', { exact: true }).selectOption({ label: 'Report' });
  const grid = page.getByRole('grid', { name: 'Pieces by sheet' });
  await expect(grid).toBeVisible();
  const all = Number(await grid.getAttribute('aria-rowcount'));
  await grid.getByRole('gridcell', { name: 'Run' }).first().click();
  await expect(page.getByText('1 mark', { exact: true })).toBeVisible();
  expect(Number(await grid.getAttribute('aria-rowcount'))).toBe(all);
  await page.getByRole('application', { name: /Sheet A-101/ }).focus();
  await page.keyboard.press('Control+a');
  await expect(page.getByText(/Only what belongs to the/)).toBeVisible();
  expect(Number(await grid.getAttribute('aria-rowcount'))).toBeLessThan(all);
});

test('a report is shared as a file, and one that is no report is refused by name', async ({ page }, info) => {
  await openDemo(page);
  await openReport(page, 'What the bid rests on');
  await page.getByRole('button', { name: 'More with this report' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Share as a file' }).click(),
  ]);
  const path = info.outputPath('shared.report.json');
  await download.saveAs(path);
  await page.getByRole('button', { name: 'More with this report' }).click();
  await page.getByRole('menuitem', { name: 'Delete this report' }).click();
  await expect(list(page).getByRole('button', { name: 'What the bid rests on' })).toHaveCount(0);
  const input = page.locator('input[type=file][aria-label="Open a shared report"]');
  await input.setInputFiles({ name: 'notes.json', mimeType: 'application/json', buffer: Buffer.from('{}') });
  await expect(page.getByText(/‘notes.json’ isn’t a shared report/)).toBeVisible();
  await input.setInputFiles(path);
  await expect(list(page).getByRole('button', { name: 'What the bid rests on' })).toBeVisible();
});

test('groups in the order of their cost, a folder of one’s own, and several reports in one workbook', async ({
  page,
}) => {
  await openDemo(page);
  await openReport(page, 'One line a section');
  await page.getByLabel('Order of Section').selectOption('by Cost');
  await page.getByRole('button', { name: 'Section: last to first' }).click();
  const costs = async (): Promise<readonly number[]> => {
    const texts = await page.locator('.group [role=gridcell]:nth-child(3)').allInnerTexts();
    return texts.map((text) => Number(text.replace(/[^\d.]/g, '')));
  };
  await expect
    .poll(async () => {
      const shown = await costs();
      return shown.length > 5 && shown.every((cost, at) => at === 0 || cost <= (shown[at - 1] ?? 0));
    })
    .toBe(true);

  await page.getByRole('button', { name: 'More with this report' }).click();
  await page.getByRole('menuitem', { name: 'Put into a folder' }).click();
  await page.getByRole('dialog').getByLabel('Folder').fill('For the office');
  await page.keyboard.press('Enter');
  await expect(list(page).getByRole('heading', { name: 'For the office' })).toBeVisible();

  await page.getByRole('button', { name: 'More with this report' }).click();
  await page.getByRole('menuitem', { name: 'Several reports in one XLSX' }).click();
  const dialog = page.getByRole('dialog', { name: 'Several reports in one workbook' });
  await dialog.getByRole('checkbox', { name: 'Drawing list and scales' }).check({ force: true });
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    dialog.getByRole('button', { name: 'Save the workbook' }).click(),
  ]);
  const workbook = new ExcelJS.Workbook();
  await workbook.xlsx.readFile(await download.path());
  expect(workbook.worksheets.map(({ name }) => name)).toEqual([
    'One line a section',
    'Drawing list and scales',
  ]);
});
