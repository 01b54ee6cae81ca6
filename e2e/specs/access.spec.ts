import AxeBuilder from '@axe-core/playwright';
import { type Page, expect, test } from '@playwright/test';
import { doToSheet, goTo, newJob, openDemo, openSheet } from '../drivers/zest.ts';

// Colors are judged as they come to rest, not half way from a button that was off to one that is on.
test.use({ contextOptions: { reducedMotion: 'reduce' } });

async function expectAccessible(page: Page, where: string): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(serious.map(({ id, nodes }) => `${where}: ${id} at ${nodes[0]?.html.slice(0, 160)}`)).toEqual([]);
}

/** Each page in the state a person works in; a test each, since axe takes its time on a full table. */
const PAGES: Readonly<Record<string, (page: Page) => Promise<void>>> = {
  jobs: async (page) => {
    await page.goto('/jobs');
    await expect(page.getByRole('row')).toHaveCount(5);
  },
  'new job': async (page) => {
    await page.goto('/jobs');
    await page.getByRole('button', { name: 'New job' }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
  },
  'a report': async (page) => {
    await openDemo(page);
    await goTo(page, 'Reports');
    await page.getByRole('button', { name: 'Estimate in full', exact: true }).click();
    await expect(page.getByRole('grid', { name: 'Estimate in full' })).toBeVisible();
  },
  'the columns of a report': async (page) => {
    await openDemo(page);
    await goTo(page, 'Reports');
    await page.getByRole('button', { name: 'One line a section', exact: true }).click();
    await page.getByRole('button', { name: 'Columns' }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
  },
  'the pages of a report': async (page) => {
    await openDemo(page);
    await goTo(page, 'Reports');
    await page.getByRole('button', { name: 'Page and print' }).click();
    await expect(page.getByRole('group', { name: 'Page 1' })).toBeVisible();
  },
  orders: async (page) => {
    await openDemo(page);
    await goTo(page, 'Orders');
    await expect(page.getByRole('grid', { name: 'Materials' })).toBeVisible();
  },
  'answers side by side': async (page) => {
    await openDemo(page);
    await goTo(page, 'Orders');
    await page.getByRole('button', { name: /^Lumber/ }).click();
    await page.getByRole('button', { name: 'Take the lowest of each' }).click();
    await expect(page.getByText('✓ taken').first()).toBeVisible();
  },
  'the blocks of a document': async (page) => {
    await openDemo(page);
    await goTo(page, 'Bid');
    await page.getByText('Blocks', { exact: true }).click();
    await page
      .getByRole('group', { name: 'Blocks' })
      .getByRole('button', { name: 'Prices', exact: true })
      .click();
    await expect(page.getByText('Show markups as rows of their own')).toBeVisible();
  },
  'the company': async (page) => {
    await page.goto('/jobs');
    await page.getByRole('button', { name: 'Company', exact: true }).click();
    await page.getByLabel('Company name').fill('Alder Works');
    await page.getByRole('button', { name: 'Set up the company' }).click();
    await page.getByRole('button', { name: 'Add a markup' }).click();
    await page.getByRole('button', { name: 'Add text' }).click();
    await expect(page.getByLabel('Name of the text')).toBeVisible();
  },
  sheets: openDemo,
  'sheets as a table': async (page) => {
    await openDemo(page);
    await page.getByRole('button', { name: 'As a table' }).click();
    await expect(page.getByRole('grid', { name: 'Sheets' })).toBeVisible();
  },
  measure: async (page) => {
    await openDemo(page);
    const desk = await openSheet(page, 'A-101');
    await desk.click([88, 40]);
    await expect(page.getByRole('toolbar', { name: 'Selected marks' })).toBeVisible();
  },
  'join two sheets': async (page) => {
    await openDemo(page);
    await openSheet(page, 'C-101');
    await doToSheet(page, 'Join with another sheet');
    await expect(page.getByRole('heading', { name: 'Join two sheets' })).toBeVisible();
  },
  'the view of the plan, with a sheet beside': async (page) => {
    await openDemo(page);
    await openSheet(page, 'A-101');
    await page.getByLabel('Split view', { exact: true }).selectOption({ label: 'A-102 Upper floor plan' });
    await doToSheet(page, 'Legend on or off');
    await page.getByRole('button', { name: 'View', exact: true }).click();
    await expect(page.getByLabel('Colors by')).toBeVisible();
  },
  'the library': async (page) => {
    await openDemo(page);
    await goTo(page, 'Assemblies');
    await page.getByRole('link', { name: 'Library', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Add to the job' })).toBeVisible();
  },
  'figures and tables': async (page) => {
    await openDemo(page);
    await goTo(page, 'Assemblies');
    await page.getByRole('link', { name: 'Figures and tables' }).click();
    await page.getByRole('button', { name: 'Name a figure' }).click();
    await page.getByRole('button', { name: 'Add the usual ones' }).click();
    await page.getByRole('combobox', { name: 'Formula of Figure 2' }).fill('total(wa');
    await expect(page.getByRole('grid', { name: /Rows of Conduits/ })).toBeVisible();
  },
  'the details of a component': async (page) => {
    await openDemo(page);
    await goTo(page, 'Assemblies');
    await page.getByRole('button', { name: 'More about Studs with ends, corners and tees' }).click();
    await expect(page.getByRole('combobox', { name: /^Where .* is rounded up$/ })).toBeVisible();
  },
  'an assembly on a scope': async (page) => {
    await openDemo(page);
    await openSheet(page, 'C-201');
    await page.getByRole('button', { name: 'Storm drain 15 in', exact: true }).click();
    await page.getByRole('button', { name: /^▸ Trench with pipe/ }).click();
    await expect(page.getByRole('img', { name: /^Section of/ })).toBeVisible();
  },
  'a line, its alternates and the columns': async (page) => {
    await openDemo(page);
    await goTo(page, 'Estimate');
    await page.getByRole('gridcell', { name: 'Ready-mix concrete' }).first().click();
    await page.getByRole('tab', { name: 'Line' }).click();
    await expect(page.getByRole('heading', { name: 'Ready-mix concrete' })).toBeVisible();
    await page.getByRole('button', { name: 'Columns' }).click();
    await expect(page.getByRole('dialog', { name: 'Columns' })).toBeVisible();
  },
  ...Object.fromEntries(
    ['Assemblies', 'Prices', 'Estimate', 'Bid'].map((stage) => [
      stage,
      async (page: Page): Promise<void> => {
        await openDemo(page);
        await goTo(page, stage);
        await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      },
    ]),
  ),
};

for (const theme of ['light', 'dark'] as const)
  for (const [name, open] of Object.entries(PAGES))
    test(`axe finds nothing serious on ${name} in the ${theme} theme, and the page does not scroll`, async ({
      page,
    }) => {
      await page.addInitScript((kept) => localStorage.setItem('zest-theme', kept), theme);
      await open(page);
      await expectAccessible(page, name);
      const scrolls = await page.evaluate(
        () =>
          document.documentElement.scrollHeight > innerHeight ||
          document.documentElement.scrollWidth > innerWidth,
      );
      expect(scrolls).toBe(false);
    });

for (const theme of ['light', 'dark'] as const)
  test(`axe finds nothing serious on the pages of prices and the estimate in the ${theme} theme`, async ({
    page,
  }) => {
    await page.addInitScript((kept) => localStorage.setItem('zest-theme', kept), theme);
    await openDemo(page);
    const job = page.url().replace(/\/sheets.*/, '');
    for (const path of ['wages', 'quotes', 'compare', 'charts', 'look', 'next', 'settings']) {
      await page.goto(`${job}/${path}`);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await expectAccessible(page, path);
    }
  });

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
  await expect(page.locator('[data-total]')).toHaveText('$250.00');
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

test('a key is changed, kept, and refused where something else has it', async ({ page }) => {
  await openDemo(page);
  await openSheet(page, 'A-101');
  await page.keyboard.press('?');
  const dialog = page.getByRole('dialog', { name: 'Keys' });
  const own = dialog.getByRole('button', { name: 'Change the key of: Draw a run' });
  await own.click();
  await page.keyboard.press('a');
  await expect(dialog.getByRole('alert')).toContainText('A already does this: Draw an area.');
  await page.keyboard.press('j');
  await expect(own).toHaveText('J');
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  const run = page.getByRole('toolbar', { name: 'Pens' }).getByRole('button', { name: 'Run J' });
  await page.keyboard.press('l');
  await expect(run).toHaveAttribute('aria-pressed', 'false');
  await page.keyboard.press('j');
  await expect(run).toHaveAttribute('aria-pressed', 'true');
  await page.reload();
  await expect(run).toBeVisible();
  await page.keyboard.press('?');
  await dialog.getByRole('button', { name: 'Use the usual keys again' }).click();
  await expect(own).toHaveText('L');
});

test('no page sets a style that the policy of the server does not take', async ({ page }) => {
  const refused: string[] = [];
  await page.exposeFunction('tellRefused', (what: string) => refused.push(what));
  await page.addInitScript(() =>
    document.addEventListener('securitypolicyviolation', ({ violatedDirective, sourceFile }) => {
      const { tellRefused } = window as unknown as { tellRefused: (what: string) => void };
      if (violatedDirective.startsWith('style')) tellRefused(`${violatedDirective} ${sourceFile}`);
    }),
  );
  await openDemo(page);
  for (const stage of ['Measure', 'Assemblies', 'Prices', 'Estimate', 'Bid']) {
    await goTo(page, stage);
    await expect(page.locator('h1, .desk').first()).toBeAttached();
  }
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('dialog', { name: 'Find anything' })).toBeVisible();
  // Something is styled at all: the page would be bare if its styles were refused.
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Save PDF' })).toHaveCSS('height', '30px');
  expect(refused).toEqual([]);
});
