import { type Page, expect, test } from '@playwright/test';
import AxeBuilder from '@axe-core/playwright';
import { DEMO_JOB, goTo, openDemo, waitSaved } from '../drivers/zest.ts';

test.use({ contextOptions: { reducedMotion: 'reduce' } });

const PAGES = [
  'sheets',
  'measure',
  'assemblies',
  'figures',
  'prices',
  'wages',
  'estimate',
  'quotes',
  'compare',
  'charts',
  'orders',
  'bid',
  'look',
] as const;

/**
 * Texts on the page that are neither from a catalog, which the language for tests marks, nor data of the job. The bid
 * itself is in a language of its own.
 */
const bareTexts = (page: Page): Promise<readonly string[]> =>
  page.evaluate(async () => {
    const data = new Set<string>();
    const collect = (value: unknown): void => {
      if (typeof value === 'string') for (const line of value.split('\n')) data.add(line.trim());
      else if (typeof value === 'object' && value !== null) Object.values(value).forEach(collect);
    };
    const database = await new Promise<IDBDatabase>((resolve) => {
      const opening = indexedDB.open('zest-line');
      opening.onsuccess = () => resolve(opening.result);
    });
    for (const name of ['jobs', 'records', 'bulk'].filter((each) =>
      database.objectStoreNames.contains(each),
    )) {
      const rows = await new Promise<readonly unknown[]>((resolve) => {
        const reading = database.transaction(name).objectStore(name).getAll();
        reading.onsuccess = () => resolve(reading.result as readonly unknown[]);
      });
      for (const row of rows) {
        collect(row);
        const { json } = row as { readonly json?: string };
        if (json !== undefined) collect(JSON.parse(json));
      }
    }
    database.close();
    const known = [...data].filter((text) => text.length >= 2).sort((a, b) => b.length - a.length);
    const bare = new Set<string>();
    const check = (text: string): void => {
      if (!/[A-Za-z]{3}/.test(text) || /[⟦⟧·]/.test(text)) return;
      // A language is called by its own name in every language.
      if (/^(American|British) English$/.test(text)) return;
      const rest = known.reduce((left, each) => left.split(each).join(' '), text);
      // Names of functions in a formula that is shown with its figures.
      if (/[A-Za-z]{3}/.test(rest.replace(/\b(ceil|floor|round|max|min|if|total)\(/g, '')))
        bare.add(text.trim());
    };
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node !== null; node = walker.nextNode())
      if (node.parentElement?.closest('script, style, kbd, .bid-paper') === null)
        check(node.textContent ?? '');
    for (const name of ['aria-label', 'placeholder', 'title', 'alt'])
      for (const element of document.querySelectorAll(`[${name}]`))
        if (element.closest('.bid-paper, [data-scope="toast"]') === null)
          check(element.getAttribute(name) ?? '');
    return [...bare];
  });

const inTestLanguage = (page: Page): Promise<unknown> =>
  page.addInitScript(() => localStorage.setItem('zest-language', 'en-XA'));

test('every word on every page comes from a catalog, and longer words break no page', async ({ page }) => {
  test.setTimeout(120_000);
  await inTestLanguage(page);
  await page.goto('/jobs');
  const demo = page.getByRole('button', { name: DEMO_JOB, exact: true });
  await expect(demo).toBeVisible();
  expect(await bareTexts(page)).toEqual([]);
  await demo.click();
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  const job = new URL(page.url()).pathname.split('/').slice(0, 3).join('/');
  for (const each of PAGES) {
    await page.goto(`${job}/${each}`);
    await expect(page.locator('h1, .desk').first()).toBeAttached();
    await expect(page.getByText('⟦').first()).toBeVisible();
    expect(await bareTexts(page), each).toEqual([]);
    const scrolls = await page.evaluate(() => document.documentElement.scrollWidth > innerWidth);
    expect(scrolls, each).toBe(false);
  }
});

for (const each of ['measure', 'estimate', 'bid'] as const)
  test(`axe finds nothing serious on ${each} with longer words`, async ({ page }) => {
    await inTestLanguage(page);
    await page.goto('/jobs');
    await page.getByRole('button', { name: DEMO_JOB, exact: true }).click();
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    const job = new URL(page.url()).pathname.split('/').slice(0, 3).join('/');
    await page.goto(`${job}/${each}`);
    await expect(page.getByText('⟦').first()).toBeVisible();
    const { violations } = await new AxeBuilder({ page }).analyze();
    const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
    expect(serious.map(({ id, nodes }) => `${id} at ${nodes[0]?.html.slice(0, 160)}`)).toEqual([]);
  });

test('the interface speaks UK English when asked, and the bid the language of its own', async ({ page }) => {
  await page.goto('/jobs');
  await page.getByLabel('Language').selectOption({ label: 'British English' });
  // The page opens anew with it.
  await expect(page.locator('html')).toHaveAttribute('lang', 'en-GB');
  await openDemo(page);
  await goTo(page, 'Estimate');
  await expect(page.getByText('Labour', { exact: true }).first()).toBeVisible();
  await goTo(page, 'Bid');
  const paper = page.locator('.bid-paper');
  await expect(paper).toContainText(/\d{1,2} [A-Z][a-z]+ 20\d\d/);
  await page.getByLabel('Language of the bid').selectOption({ label: 'American English' });
  await expect(paper).toContainText(/[A-Z][a-z]+ \d{1,2}, 20\d\d/);
  // Whoever closes the page sooner is asked first, and Playwright answers for them.
  await waitSaved(page);
  await page.reload();
  await expect(paper).toContainText(/[A-Z][a-z]+ \d{1,2}, 20\d\d/);
  await expect(page.locator('html')).toHaveAttribute('lang', 'en-GB');
});
