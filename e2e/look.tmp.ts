import { chromium } from '@playwright/test';
import * as D from './drivers/zest.ts';
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: process.env['BASE'] ?? 'http://127.0.0.1:4200', acceptDownloads: true });
const page = await context.newPage();
page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text().slice(0, 200)));
const shot = async (n: string) => { await page.waitForTimeout(800); await page.screenshot({ path: `/tmp/pics/${n}.png` }); };
try {
  const steps = (await import(process.argv[2] as string)).default;
  await steps(page, shot, D);
} catch (e) { console.log(String(e).slice(0, 1500)); await shot('failed'); }
await browser.close();
