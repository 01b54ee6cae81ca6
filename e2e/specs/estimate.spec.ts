import { type Page, expect, test } from '@playwright/test';
import { DEMO_JOB, goTo, newJob, openDemo, totalOf, waitSaved } from '../drivers/zest.ts';

const gridOf = (page: Page) => page.getByRole('grid', { name: 'Estimate' });
const rowOf = (page: Page, name: RegExp) => gridOf(page).getByRole('row', { name });

async function openEstimate(page: Page): Promise<void> {
  await openDemo(page);
  await goTo(page, 'Estimate');
  await expect(gridOf(page)).toBeVisible();
}

/** A line in a new job, at one cost. */
async function addLine(page: Page, name: string, cost: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a line' }).click();
  await rowOf(page, /New line/)
    .getByRole('gridcell')
    .nth(1)
    .click();
  await page.keyboard.type(name);
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  await page.keyboard.type(cost);
  await page.keyboard.press('Enter');
  await expect(rowOf(page, new RegExp(name))).toBeVisible();
}

test('typing over a quantity that flows pins it, with what flows beside it, until it is let go', async ({
  page,
}) => {
  await openEstimate(page);
  const before = await totalOf(page);
  const row = rowOf(page, /Crushed base/).first();
  await row.getByRole('gridcell').nth(2).click();
  await page.keyboard.type('70');
  await page.keyboard.press('Enter');
  await expect(row).toContainText('64.67');
  await expect(row).toContainText('70.00');
  await expect.poll(() => totalOf(page)).toBeGreaterThan(before);
  await row.getByRole('gridcell').nth(1).click();
  await page.getByRole('tab', { name: 'Line' }).click();
  const panel = page.getByRole('tabpanel', { name: 'Line' });
  await expect(panel).toContainText('5.33 yd³');
  await panel.getByRole('button', { name: 'Unpin' }).click();
  await expect.poll(() => totalOf(page)).toBe(before);
  await waitSaved(page);
});

test('lines that are selected are adjusted by percent, and the adjustment comes off again', async ({
  page,
}) => {
  await openEstimate(page);
  const before = await totalOf(page);
  await rowOf(page, /Ready-mix concrete/)
    .first()
    .getByRole('gridcell')
    .nth(1)
    .click();
  await page.keyboard.press('Shift+ArrowDown');
  await page.getByRole('button', { name: 'Adjust by percent' }).click();
  const dialog = page.getByRole('dialog', { name: 'Adjust by percent' });
  await dialog.getByLabel('Percent').fill('many');
  await dialog.getByRole('button', { name: 'Adjust', exact: true }).click();
  await expect(dialog.getByText(/isn’t a number/)).toBeVisible();
  await dialog.getByLabel('Percent').fill('10');
  await dialog.getByLabel('Why').fill('Mixer is far');
  await dialog.getByRole('button', { name: 'Adjust', exact: true }).click();
  // 101.75 at 164 x 1.02 for the region, and a tenth.
  await expect(rowOf(page, /Ready-mix concrete/).first()).toContainText('$18,722.81');
  await page.getByRole('button', { name: 'Remove Mixer is far' }).click();
  await expect.poll(() => totalOf(page)).toBe(before);
});

test('what is typed right after a line is added goes into it, in an empty job too', async ({ page }) => {
  await newJob(page, 'First line');
  await goTo(page, 'Estimate');
  await page.getByRole('button', { name: 'Add a line' }).click();
  await expect(gridOf(page)).toBeFocused();
  // Letters that are keys of pens elsewhere.
  await page.keyboard.press('Tab');
  await page.keyboard.type('Crane hire');
  await page.keyboard.press('Enter');
  await expect(rowOf(page, /Crane hire/)).toBeVisible();
  await page.getByRole('button', { name: 'Add a line' }).click();
  await page.keyboard.type('Crew of divers');
  await page.keyboard.press('Enter');
  await expect(rowOf(page, /Crew of divers/)).toBeVisible();
  await expect(rowOf(page, /Crane hire/)).toBeVisible();
  // In the cell of the item too: what is no item is what the line is.
  await page.getByRole('button', { name: 'Add a line' }).click();
  await page.keyboard.press('Home');
  await page.keyboard.type('Lodging for divers');
  await page.keyboard.press('Enter');
  await expect(rowOf(page, /Lodging for divers/)).toBeVisible();
});

test('a text is put into a whole block, sections and lines alike, as one step', async ({ page }) => {
  await openEstimate(page);
  const before = await totalOf(page);
  const first = rowOf(page, /Silt fence/);
  await first.getByRole('gridcell').nth(1).click();
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.type('By others');
  await page.keyboard.press('Control+Enter');
  await expect(rowOf(page, /By others/)).toHaveCount(2);
  await expect(page.getByRole('button', { name: 'Undo change 2 lines' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(rowOf(page, /By others/)).toHaveCount(0);
  // A quantity, over what flows and what was typed.
  await rowOf(page, /Crushed base/)
    .first()
    .getByRole('gridcell')
    .nth(2)
    .click();
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.type('100');
  await page.keyboard.press('Control+Enter');
  await expect(rowOf(page, /Crushed base/).first()).toContainText('100.00');
  await expect(rowOf(page, /Vapor barrier/).first()).toContainText('100.00');
  await page.keyboard.press('Control+z');
  await expect.poll(() => totalOf(page)).toBe(before);
});

test('quotes are leveled side by side, and the one that is taken is a line of the estimate', async ({
  page,
}) => {
  await newJob(page, 'Quotes');
  await goTo(page, 'Estimate');
  await page.getByRole('link', { name: 'Quotes', exact: true }).click();
  await page.getByRole('button', { name: 'Add the first package' }).click();
  await page.getByLabel('Name of the package').fill('Roofing');
  await page.getByLabel('Name of the package').press('Enter');
  for (const [company, amount] of [
    ['Company 1', '9800'],
    ['Company 2', '10900'],
  ] as const) {
    await page.getByRole('button', { name: 'Add a quote' }).click();
    const field = page.getByLabel(`Quoted by ${company}`, { exact: true });
    await field.fill(amount);
    await field.press('Enter');
  }
  await page.getByLabel('Must include', { exact: true }).fill('Flashing');
  await page.getByLabel('Must include', { exact: true }).press('Enter');
  await page.getByRole('checkbox', { name: 'Flashing is in the quote of Company 1' }).uncheck();
  await page.getByLabel('Flashing, allowed for Company 1').fill('1400');
  await page.getByLabel('Flashing, allowed for Company 1').press('Enter');
  // The low one is not the lower one: 9,800 + 1,400.
  await expect(page.getByRole('row', { name: /^Leveled/ })).toContainText('$11,200.00');
  await expect(page.getByRole('row', { name: /^Leveled/ })).toContainText('$300.00 above the lowest');
  await page.getByRole('radio', { name: /Company 2/ }).check();
  await page.getByRole('link', { name: 'Lines', exact: true }).click();
  await expect(rowOf(page, /Roofing 1/)).toContainText('$10,900.00');
  await page.keyboard.press('Control+z');
  await expect(gridOf(page).getByText('no quote chosen')).toBeVisible();
});

test('a package is quoted line by line, and the quote that is taken prices its lines', async ({ page }) => {
  await openEstimate(page);
  await page.getByRole('link', { name: 'Quotes', exact: true }).click();
  await page.getByRole('button', { name: 'Add a package' }).click();
  await page.getByLabel('Priced').selectOption({ label: 'line by line' });
  await expect(page.getByText('This package doesn’t price any lines yet')).toBeVisible();
  await page.getByRole('button', { name: 'Add a quote' }).click();
  await page.getByRole('button', { name: 'Choose the lines' }).click();
  const dialog = page.getByRole('dialog', { name: 'Lines of the package' });
  await dialog.getByLabel('Search the lines').fill('vapor boat bay');
  await dialog.getByRole('checkbox', { name: /Vapor barrier, Slab on grade, boat bay/ }).check();
  await dialog.getByRole('button', { name: 'Ask for 1 line' }).click();
  const price = page.getByLabel(/^Vapor barrier, .*, one ft², by Company 1/);
  await expect(page.getByRole('row', { name: /^Together/ })).toContainText('1 line not quoted');
  await price.fill('0.5');
  await price.press('Enter');
  // 5,600 ft², as they are pinned, at 0.50.
  await expect(page.getByRole('row', { name: /^Together/ })).toContainText('$2,800.00');
  await page.getByRole('radio', { name: 'choose: Company 1' }).check();
  await page.getByRole('link', { name: 'Lines', exact: true }).click();
  await expect(rowOf(page, /Vapor barrier/).first()).toContainText('$2,800.00');
});

test('alternates are each an add or a deduct, and any choice is priced at once', async ({ page }) => {
  await openEstimate(page);
  await page.getByRole('tab', { name: 'Alternates' }).click();
  const side = page.getByRole('region', { name: 'Alternates' });
  await expect(side).toContainText('add $11,010.00');
  const before = await totalOf(page);
  const whatIf = side.locator('.combination');
  await whatIf.getByLabel('Tile instead of rubber').check();
  await whatIf.getByLabel('Rack rails by us').check();
  const chosen = (await whatIf.locator('dd').last().innerText()).replace(/[^0-9]/g, '');
  expect(await totalOf(page)).toBe(before);
  for (const box of await side.getByLabel('accepted').all()) await box.check();
  await expect.poll(() => totalOf(page)).toBe(Number(chosen));
});

test('a line is moved by keys and by hand, into another section too', async ({ page }) => {
  await newJob(page, 'Order');
  await goTo(page, 'Estimate');
  for (const name of ['First', 'Second']) {
    await gridOf(page).getByRole('gridcell', { name: 'Concrete' }).click();
    await addLine(page, name, '10');
  }
  const names = async (): Promise<string[]> =>
    (await gridOf(page).getByRole('row').allInnerTexts()).flatMap(
      (text) => /First|Second|Masonry|Concrete/.exec(text) ?? [],
    );
  await rowOf(page, /Second/)
    .getByRole('gridcell')
    .nth(1)
    .click();
  await page.keyboard.press('Alt+ArrowUp');
  await expect.poll(names).toEqual(['Concrete', 'Second', 'First', 'Masonry']);
  // By its handle onto the head of another section.
  await rowOf(page, /First/).hover();
  const handle = rowOf(page, /First/).locator('.row-handle');
  const [from, to] = [await handle.boundingBox(), await rowOf(page, /Masonry/).boundingBox()];
  if (from === null || to === null) throw new Error('nothing to take');
  await page.mouse.move(from.x + 6, from.y + 13);
  await page.mouse.down();
  await page.mouse.move(from.x + 40, from.y + 30, { steps: 4 });
  await page.mouse.move(to.x + 120, to.y + 14, { steps: 6 });
  await page.mouse.up();
  await expect.poll(names).toEqual(['Concrete', 'Second', 'Masonry', 'First']);
  await page.getByRole('button', { name: /^Undo move/ }).click();
  await expect.poll(names).toEqual(['Concrete', 'Second', 'First', 'Masonry']);
});

test('markups are a margin, a graded rate, another rate for a section, and in another order', async ({
  page,
}) => {
  await newJob(page, 'Markups');
  await goTo(page, 'Estimate');
  await gridOf(page).getByRole('gridcell', { name: 'Concrete' }).click();
  await addLine(page, 'Thousand', '1000');
  await page.getByRole('button', { name: 'Add a markup' }).click();
  await page.getByLabel('Name of the markup').fill('Profit');
  await page.getByLabel('Name of the markup').press('Enter');
  await page.getByRole('button', { name: 'More on Profit' }).click();
  await page.getByLabel('How Profit is reckoned').selectOption({ label: '% margin of the price' });
  await page.getByLabel('Profit, percent').fill('20');
  await page.getByLabel('Profit, percent').press('Enter');
  // 20 % margin is 25 % on top.
  await expect.poll(() => totalOf(page)).toBe(1250_00);
  await expect(page.getByText('20 % profit as margin, on cost')).toBeVisible();
  await page.getByLabel('Profit, percent').fill('100');
  await page.getByLabel('Profit, percent').press('Enter');
  await expect(page.getByRole('alert')).toContainText('below 100 %');
  await page.getByLabel('Profit, percent').press('Escape');
  await page.getByLabel('How Profit is reckoned').selectOption({ label: 'graded rates' });
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByLabel('Part 1 of Profit, up to').fill('400');
  await page.getByLabel('Part 1 of Profit, up to').press('Enter');
  await page.getByLabel('Part 1 of Profit, percent').fill('5');
  await page.getByLabel('Part 1 of Profit, percent').press('Enter');
  // 5 % of 400 and 1 % of the 600 beyond.
  await expect.poll(() => totalOf(page)).toBe(1026_00);
  await page.getByRole('button', { name: 'Add a markup' }).click();
  await page.getByLabel('Markup, percent').fill('10');
  await page.getByLabel('Markup, percent').press('Enter');
  await expect(page.getByText('10 % markup on cost and profit')).toBeVisible();
  // By keyboard: taken up, one place, put down.
  await page.getByRole('button', { name: 'Move Markup', exact: true }).focus();
  await page.keyboard.press('Space');
  // What is said of it is by name, and a place is a press.
  await expect(page.getByText('Markup is at place 2 of 2.')).toBeAttached();
  // Keys are listened to from the next timer on, which a person's hands always let pass.
  await page.evaluate(() => new Promise((done) => setTimeout(done)));
  await page.keyboard.press('ArrowUp');
  await expect(page.getByText('Markup is at place 1 of 2.')).toBeAttached();
  await page.keyboard.press('Space');
  await expect(page.getByText('Markup is dropped at place 1 of 2.')).toBeAttached();
  await expect(page.getByText('10 % markup on cost', { exact: true })).toBeVisible();
});

test('lines come along from another job unconfirmed, and the second look asks for them', async ({ page }) => {
  await openEstimate(page);
  await gridOf(page).getByRole('gridcell', { name: 'Sitework' }).click();
  await page.getByRole('button', { name: 'Copy from a job' }).click();
  const dialog = page.getByRole('dialog', { name: 'Copy from another job' });
  // Prices in another currency come along as they are, and that is said.
  await dialog.getByRole('combobox').selectOption({ label: 'Orchard Row Pavilion' });
  await expect(dialog.getByRole('note')).toContainText('Its prices are in EUR, this job is in USD.');
  await dialog.getByRole('combobox').selectOption({ label: 'Heron Slip Boat Store' });
  await expect(dialog.getByRole('note')).toHaveCount(0);
  await dialog.getByLabel('Search its lines').fill('mats');
  await dialog.getByRole('checkbox').first().check();
  await dialog.getByRole('button', { name: 'Copy 1 line' }).click();
  const row = rowOf(page, /Temporary access mats/);
  await expect(row).toContainText('unconfirmed');
  await page.getByRole('link', { name: /Second look/ }).click();
  const group = page.getByRole('region', { name: 'Quantities from another job' });
  await expect(group).toContainText('from Heron Slip Boat Store');
  await group.getByRole('button', { name: 'Temporary access mats' }).click();
  await expect(row).toBeVisible();
  await page.getByRole('link', { name: /Second look/ }).click();
  await group.getByRole('button', { name: 'Confirm it' }).click();
  await expect(group).toHaveCount(0);
});

test('a doubt is accepted with a reason, and asked again once its figures change', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('link', { name: /Second look/ }).click();
  const group = page.getByRole('region', { name: 'Outside your yardsticks' });
  await group.getByRole('button', { name: 'Accept…' }).click();
  await group.getByLabel(/^Why/).fill('The controller serves the pier too');
  await group.getByRole('button', { name: 'Accept', exact: true }).click();
  await expect(group).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Accepted' })).toContainText('serves the pier too');
  await goTo(page, 'Estimate');
  await page.getByRole('tab', { name: 'Yardsticks' }).click();
  await page.getByLabel('High of Irrigation and planting per sprinkler').fill('430');
  await page.getByLabel('High of Irrigation and planting per sprinkler').press('Enter');
  await page.getByRole('link', { name: /Second look/ }).click();
  await expect(group).toBeVisible();
});

test('a snapshot is kept; the bridge shows what changed the bid since, and the job goes back to it', async ({
  page,
}) => {
  await openEstimate(page);
  const before = await totalOf(page);
  await page.getByRole('link', { name: 'Compare', exact: true }).click();
  await page.getByLabel('Name of the snapshot').fill('Monday');
  await page.getByRole('button', { name: 'Save a snapshot' }).click();
  await expect(page.getByText('Monday', { exact: true }).first()).toBeVisible();
  await page.getByRole('link', { name: 'Lines', exact: true }).click();
  await rowOf(page, /Silt fence/)
    .getByRole('gridcell')
    .nth(2)
    .click();
  await page.keyboard.type('520');
  await page.keyboard.press('Enter');
  await expect.poll(() => totalOf(page)).toBeGreaterThan(before);
  await page.getByRole('link', { name: 'Compare', exact: true }).click();
  await page.getByRole('combobox', { name: 'From' }).selectOption({ label: 'Monday' });
  // Twice the 260 ft that were 628.37: 1.10 x 1.02 and 0.03 h of 41.50 x 1.04.
  await expect(page.getByRole('row', { name: /Silt fence/ })).toContainText('$628.37');
  await expect(page.getByRole('img', { name: /What changed the bid/ })).toHaveAttribute(
    'aria-label',
    /Quantity \$628\.37/,
  );
  await page.getByRole('button', { name: 'Go back to it' }).click();
  await expect.poll(() => totalOf(page)).toBe(before);
  await page.keyboard.press('Control+z');
  await expect.poll(() => totalOf(page)).toBeGreaterThan(before);
});

test('a job is saved as a template, and another is started from it with every quantity at zero', async ({
  page,
}) => {
  await openEstimate(page);
  await page.getByRole('button', { name: 'More to add' }).click();
  await page.getByRole('menuitem', { name: 'Save the job as a template' }).click();
  const dialog = page.getByRole('dialog', { name: 'Save as a template' });
  await dialog.getByLabel('Name').fill('Boathouses');
  await dialog.getByLabel('Folder').fill('Clubs');
  await dialog.getByRole('button', { name: 'Save the template' }).click();
  await expect(dialog).toHaveCount(0);
  await page.goto('/jobs');
  const row = page.getByRole('region', { name: 'Templates' }).getByRole('row', { name: /Boathouses/ });
  await expect(row).toContainText('Clubs');
  await row.getByRole('button', { name: 'Use template' }).click();
  const asked = page.getByRole('dialog', { name: 'New job' });
  await asked.getByLabel('Name').fill('The next one');
  await asked.getByRole('button', { name: 'Create the job' }).click();
  await expect(page.getByRole('heading', { name: 'No sheets yet' })).toBeVisible();
  expect(await totalOf(page)).toBe(0);
  await goTo(page, 'Estimate');
  await expect(rowOf(page, /Silt fence/)).toContainText('SW-SILT');
  await page.goto('/jobs');
  await expect(page.getByRole('button', { name: DEMO_JOB, exact: true })).toBeVisible();
});

test('columns are chosen, and are there again after a reload; words and subtotals stand between lines', async ({
  page,
}) => {
  await openEstimate(page);
  await page.getByRole('button', { name: 'Columns' }).click();
  const dialog = page.getByRole('dialog', { name: 'Columns' });
  for (const name of ['Unit price', 'Price', 'Source', 'Waste'])
    await dialog.getByLabel(name, { exact: true }).check();
  await dialog.getByLabel('Subcontract', { exact: true }).uncheck();
  await dialog.getByRole('button', { name: 'Done' }).click();
  await expect(gridOf(page).getByRole('columnheader', { name: 'Unit price' })).toBeVisible();
  await page.reload();
  await expect(gridOf(page).getByRole('columnheader', { name: 'Unit price' })).toBeVisible();
  await expect(gridOf(page).getByRole('columnheader', { name: 'Subcontr.' })).toHaveCount(0);
  await gridOf(page).getByRole('gridcell', { name: 'Sitework' }).click();
  await page.getByRole('button', { name: 'More to add' }).click();
  await page.getByRole('menuitem', { name: 'Add a subtotal' }).click();
  // All of the section stands above it.
  await expect(rowOf(page, /Subtotal/).first()).toContainText('$7,267.44');
});

test('the keys go nowhere out of sight: to a line that was added at the end, to the last of many columns', async ({
  page,
}) => {
  await openEstimate(page);
  await page.getByRole('button', { name: 'Add a section' }).click();
  // Its name is being typed at once.
  await page.keyboard.type('Fountain');
  await page.keyboard.press('Enter');
  await expect(rowOf(page, /Fountain/)).toBeInViewport();
  // The room for the rows shrinks, as when something opens below them.
  await page.setViewportSize({ width: 1280, height: 640 });
  await expect(rowOf(page, /Fountain/)).toBeInViewport({ ratio: 0.99 });
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByRole('button', { name: 'Add a line', exact: true }).click();
  const added = rowOf(page, /New line/);
  await expect(added).toBeInViewport({ ratio: 0.99 });
  await page.getByRole('button', { name: 'Columns' }).click();
  const dialog = page.getByRole('dialog', { name: 'Columns' });
  for (const column of await dialog.getByRole('checkbox').all()) await column.check({ force: true });
  await dialog.getByRole('button', { name: 'Done' }).click();
  await gridOf(page).focus();
  await page.keyboard.press('End');
  await expect(gridOf(page).getByRole('columnheader').last()).toBeInViewport({ ratio: 0.99 });
  await expect(added.getByRole('gridcell').last()).toBeInViewport({ ratio: 0.99 });
  // Which line it is goes on being seen beside the last figures.
  await expect(added.getByRole('gridcell', { name: 'New line' })).toBeInViewport({ ratio: 0.99 });
  await page.keyboard.press('Control+Home');
  await expect(
    rowOf(page, /Sitework/)
      .getByRole('gridcell')
      .first(),
  ).toBeInViewport({ ratio: 0.99 });
  await expect(gridOf(page).getByRole('columnheader', { name: 'Cost code' })).toBeInViewport({ ratio: 0.99 });
  // Letters on a unit that comes from an assembly are no keys of pens.
  await rowOf(page, /Ready-mix/)
    .first()
    .getByRole('gridcell', { name: 'yd³', exact: true })
    .click();
  await page.keyboard.type('lb');
  await expect(page.getByRole('alert')).toContainText('Nothing can be typed here');
  await expect(gridOf(page)).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('an item is found by typing into its cell; a unit that does not fit says so and is undone', async ({
  page,
}) => {
  await newJob(page, 'Typing');
  await goTo(page, 'Estimate');
  await gridOf(page).getByRole('gridcell', { name: 'Concrete' }).click();
  await page.getByRole('button', { name: 'Add a line' }).click();
  await rowOf(page, /New line/)
    .getByRole('gridcell')
    .nth(0)
    .click();
  // Letters that are keys of pens elsewhere belong to the cell.
  await page.keyboard.type('ready 4000');
  await page.getByRole('option', { name: /CN-RM-40/ }).click();
  const mix = rowOf(page, /Ready-mix/);
  await expect(mix).toContainText('$164.00');
  await mix.getByRole('gridcell').nth(3).click();
  await page.keyboard.type('ft');
  await page.keyboard.press('Enter');
  await expect(mix).toContainText('units differ');
  await page.keyboard.press('Control+z');
  await expect(mix).toContainText('$164.00');
  // The item and its unit were one step.
  await page.keyboard.press('Control+z');
  await expect(rowOf(page, /New line/)).toContainText('ea');
});
