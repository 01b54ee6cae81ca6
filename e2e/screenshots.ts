// Takes one picture of each main view from the demo job, at the size the views are made for.
import { spawn } from 'node:child_process';
import { mkdir } from 'node:fs/promises';
import { type Page, chromium, expect } from '@playwright/test';
import { MATCH_X, SITE_DEPTH } from '@zest/demo/boathouse/site';
import { onEast, onWest } from '@zest/demo/boathouse/siteSheets';
import { CHROMIUM_ARGS, CHROMIUM_PATH } from './browser.ts';
import { DEMO_JOB, DEMO_SHEETS, createDesk, doToSheet, goTo, openDemo, openSheet } from './drivers/zest.ts';

const PORT = 4189;
const FOLDER = process.argv[2] ?? 'docs/screenshots';

const server = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
  env: { ...process.env, PORT: String(PORT) },
  stdio: ['ignore', 'pipe', 'inherit'],
});
await new Promise((resolve) => server.stdout.once('data', resolve));
const browser = await chromium.launch({ executablePath: CHROMIUM_PATH, args: [...CHROMIUM_ARGS] });
try {
  await mkdir(FOLDER, { recursive: true });
  const context = await browser.newContext({
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
  });
  await takeAll(await context.newPage());
} finally {
  await browser.close();
  server.kill('SIGTERM');
}

async function takeAll(page: Page): Promise<void> {
  const take = async (name: string): Promise<void> => {
    await page.screenshot({ path: `${FOLDER}/${name}.png` });
    console.log(`${FOLDER}/${name}.png`);
  };
  await page.goto('/jobs');
  await expect(page.getByRole('button', { name: DEMO_JOB, exact: true })).toBeVisible();
  await take('jobs');
  await openDemo(page);
  await expect(page.getByRole('article').locator('img')).toHaveCount(DEMO_SHEETS);
  await take('sheets');
  await openSheet(page, 'C-101');
  await doToSheet(page, 'Join with another sheet');
  for (const [pane, on] of [
    ['First sheet, which stays', onWest],
    ['Second sheet, which is moved', onEast],
  ] as const) {
    const root = page.getByRole('region', { name: pane }).getByRole('application');
    await expect(root).toHaveAttribute('data-camera-scale', /\d/);
    await expect(root).toHaveAttribute('data-snap', /\d/);
    for (const y of [0, SITE_DEPTH]) await createDesk(page, root, on).click([MATCH_X, y]);
  }
  await expect(page.locator('.join-picture')).toHaveAttribute('data-drawn', 'true');
  await take('join');
  await openSheet(page, 'A-201');
  await expect(page.locator('[data-drawn="sharp"]')).toHaveCount(1);
  await page.getByRole('button', { name: 'Roof, shingles, hip', exact: true }).click();
  await take('roof');
  const desk = await openSheet(page, 'A-101');
  await page.getByRole('button', { name: 'Partition P2, 2x6', exact: true }).click();
  await expect(desk.root).toHaveAttribute('data-marks', 'drawn');
  await expect(page.locator('[data-drawn="sharp"]')).toHaveCount(1);
  await take('measure');
  await goTo(page, 'Assemblies');
  await page.getByRole('button', { name: /^Stud partition for/ }).click();
  await take('assembly');
  await page.getByRole('link', { name: 'Library', exact: true }).click();
  await page.getByRole('button', { name: /^Grade beam / }).click();
  await take('library');
  await page.getByRole('link', { name: 'Figures and tables' }).click();
  await expect(page.getByRole('grid', { name: /Rows of Conduits/ })).toBeVisible();
  await take('figures');
  await openSheet(page, 'C-201');
  await page.getByRole('button', { name: 'Storm drain 15 in', exact: true }).click();
  await page.getByRole('button', { name: /^▸ Trench with pipe/ }).click();
  await page.getByRole('img', { name: /^Section of/ }).scrollIntoViewIfNeeded();
  await expect(page.locator('[data-drawn="sharp"]')).toHaveCount(1);
  await take('derive');
  await goTo(page, 'Reports');
  await page.getByRole('button', { name: 'Cost and price by section', exact: true }).click();
  await expect(page.locator('[data-foot]')).toBeVisible();
  await take('reports');
  await goTo(page, 'Estimate');
  await page.getByRole('grid', { name: 'Estimate' }).hover();
  await page.mouse.wheel(0, -40000);
  await page.getByRole('gridcell', { name: 'Ready-mix concrete' }).first().click();
  await expect(page.getByRole('row', { name: /Strip topsoil/ })).toBeVisible();
  await take('estimate');
  await page.getByRole('link', { name: 'Compare', exact: true }).click();
  await page.getByLabel('Name of the snapshot').fill('Before the call with the club');
  await page.getByRole('button', { name: 'Save a snapshot' }).click();
  await page
    .getByRole('combobox', { name: 'To', exact: true })
    .selectOption({ label: 'Now with just Tile instead of rubber' });
  await expect(page.getByRole('img', { name: /What changed the bid/ })).toBeVisible();
  await take('compare');
  await page.getByRole('link', { name: /Second look/ }).click();
  await expect(page.getByRole('region', { name: 'Lines without a price' })).toBeVisible();
  await take('look');
  await goTo(page, 'Prices');
  await expect(page.getByRole('heading', { name: 'Prices' })).toBeVisible();
  await take('prices');
  await goTo(page, 'Orders');
  await page.getByRole('button', { name: /^Lumber/ }).click();
  await page.getByRole('button', { name: 'Take the lowest of each' }).click();
  await expect(page.getByText('✓ taken').first()).toBeVisible();
  await take('orders');
  await goTo(page, 'Bid');
  await expect(page.getByRole('heading', { name: 'Bid', level: 1 })).toBeAttached();
  await expect(page.getByRole('article').locator('svg').first()).toBeVisible();
  await take('bid');
  await goTo(page, 'Job');
  await expect(page.getByRole('heading', { name: 'Job settings' })).toBeVisible();
  await take('settings');
  await page.getByRole('link', { name: 'All jobs' }).click();
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Quay steps');
  await page.getByRole('button', { name: 'Create the job' }).click();
  await goTo(page, 'Next');
  await expect(page.getByRole('list', { name: 'Steps' })).toBeVisible();
  await take('next');
  await page.getByRole('link', { name: 'All jobs' }).click();
  await page.getByRole('button', { name: 'Company', exact: true }).click();
  await page.getByLabel('Company name').fill('Quillfeather Builders');
  await page.getByRole('button', { name: 'Set up the company' }).click();
  await page.getByRole('button', { name: 'Add a markup' }).click();
  await page.getByLabel('Name of the markup').fill('Overhead');
  await page.getByLabel('Name of the markup').press('Enter');
  await page.getByLabel('Company address').fill('220 Ropewalk Road\nSaltmere');
  await page.getByLabel('Company address').blur();
  await expect(page.locator('[data-saved="saved"]')).toBeVisible();
  await take('company');
}
