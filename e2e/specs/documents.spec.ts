import { readFile } from 'node:fs/promises';
import { strFromU8, unzipSync } from 'fflate';
import { type Page, expect, test } from '@playwright/test';
import { openDemo, goTo, totalOf, waitSaved } from '../drivers/zest.ts';

const paperOf = (page: Page) => page.getByRole('article', { name: /Tern Island Boathouse/ });

async function take(page: Page, click: () => Promise<void>): Promise<Buffer> {
  const download = page.waitForEvent('download');
  await click();
  return readFile(await (await download).path());
}

const saveAs = (page: Page, file: string) => async (): Promise<void> => {
  await page.getByRole('button', { name: 'Save as' }).click();
  await page.getByRole('menuitem', { name: file }).click();
};

test('the client sees sections only, in every kind of file', async ({ page }) => {
  await openDemo(page);
  const total = await totalOf(page);
  await goTo(page, 'Bid');
  const paper = paperOf(page);
  await expect(paper).toContainText('Masonry');
  await expect(paper).toContainText('$1,599,040.00');
  await expect(paper).not.toContainText('Superintendent');
  const docx = unzipSync(new Uint8Array(await take(page, saveAs(page, 'DOCX'))));
  const body = strFromU8(docx['word/document.xml'] ?? new Uint8Array());
  expect(body).toContain('Masonry');
  expect(body).toContain('$1,599,040.00');
  expect(body).not.toContain('Superintendent');
  const html = (await take(page, saveAs(page, 'HTML'))).toString();
  expect(html).toContain('$86,252.30');
  expect(html).not.toContain('Superintendent');
  const xlsx = unzipSync(new Uint8Array(await take(page, saveAs(page, 'XLSX, with live sums'))));
  const sheet = strFromU8(xlsx['xl/worksheets/sheet1.xml'] ?? new Uint8Array());
  expect(sheet).toContain('<f>SUM(');
  expect(strFromU8(xlsx['xl/sharedStrings.xml'] ?? new Uint8Array())).not.toContain('Superintendent');
  // Costs and markups shown or not, the total is what it was.
  expect(await totalOf(page)).toBe(total);
});

test('a document of one’s own: blocks in their order, a text with figures, a sheet with its marks, a report', async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, 'Bid');
  await page.getByRole('button', { name: 'New document' }).click();
  await page.getByRole('menuitem', { name: 'Letter with one price' }).click();
  // Those that were there stay beside it.
  const documents = page.getByRole('navigation', { name: 'Documents' });
  await expect(documents.getByRole('button')).toHaveText(['Bid', 'Bid by line', 'Letter with one price']);
  await page.getByText('Blocks', { exact: true }).click();
  const blocks = page.getByRole('group', { name: 'Blocks' });
  await blocks.getByRole('button', { name: 'Text', exact: true }).click();
  const text = page.getByRole('textbox', { name: 'Text' });
  await text.fill('We offer {job} for {total}, with {no_such.length} of wall.');
  await text.blur();
  const paper = paperOf(page);
  await expect(paper).toContainText('We offer Tern Island Boathouse for $1,599,040.00');
  await expect(page.getByText('{no_such.length} has no figure.')).toBeVisible();
  await text.fill('We offer {job} for {total}.');
  await text.blur();
  await expect(page.getByText('has no figure.')).toHaveCount(0);
  await page.getByRole('button', { name: 'Add block' }).click();
  await page.getByRole('menuitem', { name: 'Sheet with marks' }).click();
  await page.getByLabel('Sheet', { exact: true }).selectOption({ label: 'A-101 Ground floor plan' });
  await expect(paper.locator('image')).toHaveCount(1);
  await page.getByRole('button', { name: 'Add block' }).click();
  await page.getByRole('menuitem', { name: 'Report', exact: true }).click();
  await page.getByLabel('Report', { exact: true }).selectOption({ label: 'Drawing list and scales' });
  await expect(paper).toContainText('Foundation plan');
  const pdf = await take(page, () => page.getByRole('button', { name: 'Save PDF' }).click());
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  // A block that is taken out comes back by undo.
  await blocks.getByRole('button', { name: 'Remove Prices' }).click();
  await expect(paper).not.toContainText('Total, USD');
  await page.getByRole('button', { name: 'Undo remove block Prices' }).click();
  await expect(paper).toContainText('Total, USD');
});

test('what was sent is kept as it was, and held against the bid of today', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Bid');
  await page.getByRole('button', { name: 'Keep as sent' }).click();
  const dialog = page.getByRole('dialog', { name: 'Keep Bid as sent' });
  await dialog.getByLabel('Date, as 2026-11-24').fill('next week');
  await dialog.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(dialog).toContainText('Write the date as 2026-11-24.');
  await dialog.getByLabel('Date, as 2026-11-24').fill('2026-11-27');
  await dialog.getByLabel('Note').fill('by mail');
  await dialog.getByRole('button', { name: 'Keep', exact: true }).click();
  const sent = page.getByRole('region', { name: 'Sent' });
  await expect(sent).toContainText('Bid, version 1');
  await expect(sent).toContainText('November 27, 2026, by mail');
  await expect(sent).toContainText('$1,599,040.00');
  await waitSaved(page);
  await goTo(page, 'Estimate');
  await page.getByRole('gridcell', { name: 'Superintendent' }).click();
  await page.keyboard.press('Delete');
  await goTo(page, 'Bid');
  await expect(paperOf(page)).not.toContainText('$1,599,040.00');
  // The version stands at what it was.
  await expect(sent).toContainText('$1,599,040.00');
  const more = sent.getByRole('button', { name: 'More with Bid, version 1' });
  const pdf = await take(page, async () => {
    await more.click();
    await page.getByRole('menuitem', { name: 'Open the PDF' }).click();
  });
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  await more.click();
  await page.getByRole('menuitem', { name: 'What changed since' }).click();
  await expect(page.getByLabel('From')).toHaveValue(/snapshot/);
  await expect(page.getByText('Superintendent').first()).toBeVisible();
});

test('the evidence book of a section: every line on paper with what it rests on', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Bid');
  await saveAs(page, 'Evidence book as PDF')();
  const dialog = page.getByRole('dialog', { name: 'Evidence book' });
  await dialog.getByText('Sections', { exact: true }).click();
  await dialog.getByRole('button', { name: 'Make the book' }).click();
  await expect(dialog.getByRole('alert')).toHaveText('Choose at least one.');
  // Left while it is being made, it is not made: no file comes later.
  let files = 0;
  page.on('download', () => (files += 1));
  await dialog.getByText('The whole bid', { exact: true }).click();
  await dialog.getByRole('button', { name: 'Make the book' }).click();
  await expect(dialog.getByText(/^Drawing sheets: [1-9]/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  await expect(dialog).toHaveCount(0);
  await saveAs(page, 'Evidence book as PDF')();
  await dialog.getByText('Sections', { exact: true }).click();
  await dialog.getByRole('checkbox', { name: '04 Masonry' }).check({ force: true });
  const pdf = await take(page, () => dialog.getByRole('button', { name: 'Make the book' }).click());
  await expect(dialog).toHaveCount(0);
  expect(files).toBe(1);
  const text = await textOfPdf(pdf);
  // The wall, its length on the sheet, what it costs with markups, and the scale of the sheet it is on.
  expect(text).toContain('For 9 lines of the bid.');
  expect(text).toContain('ceil((494′-0″ * 14′-0″ - 683.0 ft²) / (8 in * 16 in))');
  expect(text).toContain('124′-0″ + 82′-0″ + 124′-0″ + 82′-0″ 412′-0″');
  expect(text).toContain('A-101 Ground floor plan, marks numbered as below');
  expect(text).toContain('Sheets and their scales');
  expect(text).toContain('checked: 82');
});

/** The words of a PDF, page by page, as another program reads them. */
async function textOfPdf(bytes: Buffer): Promise<string> {
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const document = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  const pages: string[] = [];
  let links = 0;
  for (let number = 1; number <= document.numPages; number += 1) {
    const page = await document.getPage(number);
    const { items } = await page.getTextContent();
    pages.push(items.map((item) => ('str' in item ? item.str : '')).join(' '));
    links += (await page.getAnnotations()).filter(
      ({ subtype, dest }) => subtype === 'Link' && dest !== null,
    ).length;
  }
  expect(links).toBeGreaterThan(10);
  return pages.join('\n').replace(/ +/g, ' ');
}
