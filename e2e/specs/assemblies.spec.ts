import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import ExcelJS from 'exceljs';
import {
  applyAssembly,
  goTo,
  newJob,
  openDemo,
  openSheet,
  waitSaved,
  expectFormula,
} from '../drivers/zest.ts';

/** One component by keys alone: its name, kind, formula, unit, waste, rounding and item, a field each. */
const COMPONENTS = [
  ['Posts', 'Material', 'ceil(length / 8 ft) + 1', 'ea', '2', '1', 'FR-POST-6'],
  ['Rails', 'Material', 'length * 3', 'ft', '5', '8', 'FR-FURR'],
  ['Boards', 'Material', 'length * 6 ft / (4 ft * 8 ft)', 'sheet', '10', '1', 'FR-SHT-12'],
  ['Post concrete', 'Material', 'posts * 1 ft³', 'yd³', '15', '', 'CN-RM-30'],
  ['Nails', 'Material', 'rails * 0.05 lb/ft', 'lb', '0', '', 'FR-NAIL-8'],
  ['Set the fence', 'Labor', 'length / 10 ft * 1 h', 'h', '0', '', 'LB-CARP'],
] as const;

test('a new assembly with six components is built from nothing by keys, in under two minutes', async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, 'Assemblies');
  const started = Date.now();
  await page.getByRole('button', { name: 'New assembly' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Name of the assembly' })).toBeFocused();
  await page.keyboard.type('Board fence, plain');
  for (const [name, kind, formula, unit, waste, round, item] of COMPONENTS) {
    await page.keyboard.press('Control+Enter');
    await expect(page.getByRole('textbox', { name: 'Component', exact: true }).last()).toBeFocused();
    await page.keyboard.type(name);
    await page.keyboard.press('Tab');
    await expect(page.getByRole('combobox', { name: `Kind of ${name}`, exact: true })).toBeFocused();
    await page.keyboard.type(kind);
    for (const text of [formula, unit, waste, round, item]) {
      await page.keyboard.press('Tab');
      if (text !== '') await page.keyboard.type(text);
    }
  }
  await page.keyboard.press('Tab');
  await waitSaved(page);
  expect(Date.now() - started).toBeLessThan(120_000);
  for (const [name, , formula] of COMPONENTS)
    await expect(page.getByRole('combobox', { name: `Formula of ${name}`, exact: true })).toHaveValue(
      formula,
    );
  await expect(page.locator('.editor .field-error')).toHaveCount(0);

  // On 236 ft of partition P2: 29.5 spaces are 30, one post more, 2 % waste: 31.62, so 32.
  await page.getByRole('button', { name: 'Apply to scopes' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('checkbox', { name: /Partition P2/ }).check();
  await dialog.getByRole('button', { name: 'Apply to 1 scope' }).click();
  const posts = page.locator('tr', {
    has: page.getByRole('combobox', { name: 'Formula of Posts', exact: true }),
  });
  await expect(posts).toContainText('32 ea');
});

test('names are completed with what they come to, the figure follows the keys, a mistake is told at its place', async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, 'Assemblies');
  await page.getByRole('button', { name: /^Stud partition for/ }).click();
  const formula = page.getByRole('combobox', { name: 'Formula of Frame the wall', exact: true });
  await formula.fill('wall_a');
  const offered = page.getByRole('listbox', { name: 'Names' });
  await expect(offered.getByRole('option', { name: /^wall_area/ })).toContainText('2,124.0 ft²');
  await formula.press('ArrowDown');
  await formula.press('Enter');
  await expectFormula(formula, 'wall_area');
  await formula.press('End');
  await formula.pressSequentially(' * 2');
  await expect(page.locator('.trace', { hasText: '2,124.0 ft² * 2 = 4,248.0 ft²' })).toBeVisible();
  await formula.fill('length + wall_area * 2');
  await expect(formula.locator('.mistake')).toHaveText('length + wall_area * 2');
  await expect(page.locator('.field-error')).toContainText('a length cannot be added to an area');
  await formula.press('Escape');
  await formula.press('Escape');
  await expectFormula(formula, 'length * height');
});

test('a figure with a name is used, renamed, and stays while it is used', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Assemblies');
  await page.getByRole('link', { name: 'Figures and tables' }).click();
  await page.getByRole('button', { name: 'Name a figure' }).click();
  const key = page.getByRole('textbox', { name: 'Name of Figure 2' });
  await key.fill('tile_area');
  await key.press('Enter');
  const formula = page.getByRole('combobox', { name: 'Formula of Figure 2' });
  await formula.fill('total(any, area, section = "Concrete")');
  await formula.press('Enter');
  const row = page.getByRole('row', { name: /tile_area/ });
  // Two slabs on grade of 4,988.4 ft² and two above of 1,456 and 1,925 ft².
  await expect(row).toContainText('13,357.9 ft²');

  await goTo(page, 'Estimate');
  await page.getByRole('button', { name: 'Add a line' }).click();
  const line = page.getByRole('row', { name: /New line/ });
  await line.getByRole('gridcell').nth(3).dblclick();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('ft²');
  await page.keyboard.press('Enter');
  await line.getByRole('gridcell').nth(2).click();
  await page.keyboard.type('tile_area * 2');
  await page.keyboard.press('Enter');
  await expect(line).toContainText('26,715.7');

  await goTo(page, 'Assemblies');
  await page.getByRole('link', { name: 'Figures and tables' }).click();
  await page.getByRole('button', { name: 'Remove Figure 2' }).click();
  await expect(page.getByText('‘Figure 2’ is used by New line. Change these first.')).toBeVisible();
  await key.fill('all_floors');
  await key.press('Enter');
  await expect(page.getByRole('row', { name: /all_floors/ })).toContainText('New line');
  await goTo(page, 'Estimate');
  await expect(page.getByRole('row', { name: /New line/ })).toContainText('26,715.7');
});

test('a table is read from CSV and looked up; beyond its last row it says so', async ({ page }) => {
  await newJob(page, 'Sizes');
  await goTo(page, 'Assemblies');
  await page.getByRole('link', { name: 'Figures and tables' }).click();
  await page.getByLabel('CSV to read a table from').setInputFiles({
    name: 'Footings.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Width (in),Bars\n16,2\n20,3\nabout 22,3\n24,4\n'),
  });
  await expect(page.locator('.import-notes')).toContainText('Row 4, Width: ‘about 22’ isn’t a number');
  await page.getByRole('button', { name: 'Name a figure' }).click();
  const formula = page.getByRole('combobox', { name: 'Formula of Figure 1' });
  await formula.fill('lookup(footings, bars, width, 18 in)');
  await formula.press('Enter');
  const row = page.getByRole('row', { name: /figure_1/ });
  await expect(row.getByRole('cell').nth(4)).toHaveText('3');
  await formula.fill('lookup(footings, bars, width, 30 in)');
  await formula.press('Enter');
  await expect(row).toContainText('30 in (762 mm) is beyond the last row of the table footings');
  await page.getByRole('button', { name: 'Remove Footings' }).click();
  await expect(page.getByText('‘Footings’ is used by Figure 1.')).toBeVisible();
});

test('on a scope, components are left out, the place is hard to work in, and another assembly is tried first', async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, 'Measure');
  await openSheet(page, 'A-101');
  await page.getByRole('button', { name: 'Partition P1, 2x4', exact: true }).click();
  await page.getByRole('button', { name: /^▸ Stud partition, 2x4/ }).click();
  const total = page.locator('[data-total]');
  const before = Number(await total.getAttribute('data-total'));
  const tape = page.getByRole('checkbox', { name: /^Joint tape/ });
  await tape.click();
  await expect(tape).not.toBeChecked();
  await expect.poll(async () => Number(await total.getAttribute('data-total'))).toBeLessThan(before);
  const without = Number(await total.getAttribute('data-total'));
  await page.getByRole('combobox', { name: 'Difficulty here' }).selectOption('usual');
  await page
    .getByRole('combobox', { name: 'Difficulty here' })
    .selectOption({ label: 'Occupied building, hours × 1.25' });
  await expect.poll(async () => Number(await total.getAttribute('data-total'))).toBeGreaterThan(without);
  const harder = Number(await total.getAttribute('data-total'));

  await page.getByRole('button', { name: 'Swap for another' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('New assembly for it').selectOption({ label: 'Stud partition' });
  await expect(dialog.getByText('Then')).toBeVisible();
  await dialog.getByRole('button', { name: 'Leave it' }).click();
  expect(Number(await total.getAttribute('data-total'))).toBe(harder);
  await page.getByRole('button', { name: 'Swap for another' }).click();
  await dialog.getByLabel('New assembly for it').selectOption({ label: 'Stud partition' });
  await dialog.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByRole('button', { name: /^▾ Stud partition$/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect.poll(async () => Number(await total.getAttribute('data-total'))).toBe(harder);
});

test('a conduit that is overfilled is told, and the section of a trench follows its answers', async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, 'Measure');
  await openSheet(page, 'E-101');
  await page.getByRole('button', { name: 'Feeder to panel B', exact: true }).click();
  await page.getByRole('button', { name: /^▸ Conduit run/ }).click();
  await page.getByRole('combobox', { name: 'Size of the conduit?' }).selectOption({ label: '1/2"' });
  await expect(page.locator('.warning')).toContainText('Overfilled');
  await expect(page.locator('.warning')).toContainText('1.00 in');
  await page.getByRole('combobox', { name: 'Size of the conduit?' }).selectOption({ label: '1"' });
  await expect(page.locator('.warning')).toHaveCount(0);

  await page.getByRole('button', { name: 'Storm drain 15 in', exact: true }).click();
  await page.getByRole('button', { name: /^▸ Trench with pipe/ }).click();
  await expect(
    page.getByRole('img', { name: /^Section of Trench with pipe, 6′-0″ wide and 6′-0″ high/ }),
  ).toBeVisible();
  const depth = page.getByRole('combobox', { name: 'Depth of the trench, middle?' });
  await depth.fill('90 in');
  await depth.press('Enter');
  await expect(page.getByRole('img', { name: /wide and 7′-6″ high/ })).toBeVisible();
  await depth.fill('2 ft');
  await depth.press('Enter');
  await expect(page.locator('.warning')).toContainText('the trench is 2′-0″ deep');
});

test('an assembly is kept, bettered and taken over in another job only when asked; files carry it', async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, 'Assemblies');
  await page.getByRole('button', { name: /^Grade beam for/ }).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Grade beam is in the library as version 2.')).toBeVisible();
  await newJob(page, 'Next job');
  await goTo(page, 'Assemblies');
  await page.getByRole('link', { name: 'Library', exact: true }).click();
  await page.getByRole('textbox', { name: 'Search the library' }).fill('grade beam');
  await page.getByRole('button', { name: /^Grade beam .*version 2/ }).click();
  await page.getByRole('button', { name: 'Add to the job' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of the assembly' })).toHaveValue('Grade beam');

  // Bettered here, kept again: the first job is told, and changes nothing by itself.
  const waste = page.getByRole('textbox', { name: 'Waste of Concrete', exact: true });
  await waste.fill('12');
  await waste.press('Enter');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Grade beam is in the library as version 3.')).toBeVisible();
  await openDemo(page);
  await goTo(page, 'Assemblies');
  await page.getByRole('button', { name: /^Grade beam for/ }).click();
  const later = page.locator('.later-version');
  await expect(later).toContainText('version 3, with 1 difference');
  await later.getByRole('button', { name: 'Show what differs' }).click();
  await expect(later).toContainText('component Concrete: changed');
  await expect(page.getByRole('textbox', { name: 'Waste of Concrete', exact: true })).toHaveValue('10');
  await later.getByRole('button', { name: 'Use this version' }).click();
  await expect(page.getByRole('textbox', { name: 'Waste of Concrete', exact: true })).toHaveValue('12');
  await expect(later).toHaveCount(0);

  await page.getByRole('link', { name: 'Library', exact: true }).click();
  await page.getByRole('textbox', { name: 'Search the library' }).fill('riprap');
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'JSON' }).click();
  const file = await (await saving).path();
  expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({ format: 'zest-assemblies' });
  const reading = page.getByLabel('Assemblies to read, JSON or XLSX');
  await reading.setInputFiles({
    name: 'riprap.assemblies.json',
    mimeType: 'application/json',
    buffer: readFileSync(file),
  });
  await expect(page.locator('.import-notes')).toContainText('1 assembly read from ‘riprap.assemblies.json’');
  await reading.setInputFiles({
    name: 'broken.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{'),
  });
  await expect(page.locator('.import-notes')).toContainText('‘broken.json’ is damaged');
});

test('a spreadsheet of assemblies is filled in and read; a row that cannot be is named', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Assemblies');
  await page.getByRole('link', { name: 'Library', exact: true }).click();
  await page.getByRole('textbox', { name: 'Search the library' }).fill('bollards');
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Spreadsheet' }).click();
  const book = new ExcelJS.Workbook();
  await book.xlsx.readFile(await (await saving).path());
  book.getWorksheet('Assemblies')?.addRow(['Sign post', 'counts']);
  const components = book.getWorksheet('Components');
  components?.addRow(['Sign post', 'Post', '', 'material', 'count', 'ea', '0']);
  components?.addRow(['Sign post', 'Hole', '', 'digging', 'count', 'ea', '0']);
  await page.getByLabel('Assemblies to read, JSON or XLSX').setInputFiles({
    name: 'own.xlsx',
    mimeType: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    buffer: Buffer.from(await book.xlsx.writeBuffer()),
  });
  const status = page.locator('.import-notes');
  await expect(status).toContainText('2 assemblies read from ‘own.xlsx’');
  await expect(status).toContainText('Components, row 5, Kind: ‘digging’ is not one of material, labor');
  await page.getByRole('textbox', { name: 'Search the library' }).fill('sign post');
  await page.getByRole('button', { name: /^Sign post/ }).click();
  await page.getByRole('button', { name: 'Favorite', exact: true }).click();
  await page.getByRole('textbox', { name: 'Search the library' }).fill('');
  await page.getByRole('button', { name: 'Favorites' }).click();
  await expect(page.getByRole('navigation', { name: 'Library' }).getByRole('button')).toHaveText([
    /★ Sign post/,
  ]);
});

test('lines become an assembly that grows with what is measured next', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Estimate');
  await page
    .getByRole('row', { name: /Silt fence along/ })
    .getByRole('gridcell')
    .nth(1)
    .click();
  await page.getByRole('button', { name: 'Make an assembly' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill('Silt fence by the wall');
  await dialog.getByLabel('The lines are for').selectOption({ label: 'Partition P2, 2x6' });
  await expect(dialog.getByText('length / 236 ft * 260 ft')).toBeVisible();
  await dialog.getByRole('button', { name: 'Make the assembly' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of the assembly' })).toHaveValue(
    'Silt fence by the wall',
  );
  await goTo(page, 'Measure');
  await page.getByRole('button', { name: 'Partition P1, 2x4', exact: true }).click();
  await applyAssembly(page, 'Silt fence by the wall');
  // 74 ft of P1, at 260 ft for every 236 ft.
  await page.getByRole('button', { name: /^▸ Silt fence by the wall/ }).click();
  await expect(page.locator('.use-components').last()).toContainText('81.53 ft');
});
