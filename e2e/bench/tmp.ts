import { writeFileSync } from 'node:fs';
import { openBench, importLargeJob, waitDrawn } from './pages.ts';
import { USUAL } from './largeJob.ts';
process.env.DIST = '/tmp/dist';
const bench = await openBench();
const page = await bench.newPage();
const name = await importLargeJob(page, USUAL);
const cdp = await page.context().newCDPSession(page);
await cdp.send('Profiler.enable');
await cdp.send('Profiler.setSamplingInterval', { interval: 200 });
const mode = process.argv[2];
if (mode === 'open') {
  await cdp.send('Profiler.start');
  await page.getByRole('button', { name, exact: true }).click();
  await page.locator('[data-total]').waitFor();
} else {
  await page.getByRole('button', { name, exact: true }).click();
  await page.getByRole('link', { name: /^Measure/ }).click();
  await waitDrawn(page);
  const box = (await page.locator('.desk').boundingBox())!;
  await page.keyboard.press('v');
  await page.waitForTimeout(500);
  await cdp.send('Profiler.start');
  for (let i = 0; i < 15; i += 1) {
    const [x, y] = [box.x + 150 + ((i * 37) % 560), box.y + 150 + ((i * 53) % 380)];
    await page.mouse.click(x, y);
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 12, y + 4);
    await page.mouse.up();
    await page.waitForTimeout(60);
  }
}
const { profile } = await cdp.send('Profiler.stop');
writeFileSync('/tmp/p.cpuprofile', JSON.stringify(profile));
await bench.end();
