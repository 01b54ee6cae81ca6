import { type Page, expect, test } from '@playwright/test';
import { writeTiff } from '../drivers/tiff.ts';
import {
  addPdf,
  createDesk,
  DEMO_SHEETS,
  feetOf,
  goTo,
  measureNew,
  newJob,
  openDemo,
  tallyFigure,
} from '../drivers/zest.ts';

/** A picture of a 60 x 40 ft room, drawn 5 pixels a foot up and 0.6 % more across. */
const STRETCH = 1.006;
const CORNER = { x: 100, y: 100 };
async function stretchedScan(page: Page): Promise<Buffer> {
  const url = await page.evaluate(
    ({ stretch, corner }) => {
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [600, 400];
      const context = canvas.getContext('2d');
      if (context === null) throw new Error('stretchedScan: no canvas');
      context.fillStyle = '#fff';
      context.fillRect(0, 0, 600, 400);
      context.lineWidth = 2;
      context.strokeRect(corner.x, corner.y, 300 * stretch, 200);
      return canvas.toDataURL('image/png');
    },
    { stretch: STRETCH, corner: CORNER },
  );
  return Buffer.from(url.slice(url.indexOf(',') + 1), 'base64');
}

test('calibrate a stretched scan: each way gets a scale of its own, and a mistaken unit is asked about', async ({
  page,
}) => {
  await newJob(page, 'Scan');
  await addPdf(page, { name: 'room.png', mimeType: 'image/png', buffer: await stretchedScan(page) });
  await expect(page.getByRole('article', { name: /room/ })).toBeVisible();
  await goTo(page, 'Measure');
  const desk = page.getByRole('application', { name: /room/ });
  await expect(desk).toHaveAttribute('data-marks', 'drawn');
  // Pixels of the scan, 150 to the inch where it does not say otherwise.
  const click = async (x: number, y: number): Promise<void> => {
    const at = await desk.evaluate(
      (element, place) => {
        const box = element.getBoundingClientRect();
        const { cameraScale, cameraX, cameraY } = (element as HTMLElement).dataset;
        return {
          x: box.left + ((place.x * 72) / 150) * Number(cameraScale) + Number(cameraX),
          y: box.top + ((place.y * 72) / 150) * Number(cameraScale) + Number(cameraY),
        };
      },
      { x, y },
    );
    await page.mouse.click(at.x, at.y);
  };
  const [left, top] = [CORNER.x, CORNER.y];
  const [right, bottom] = [left + 300 * STRETCH, top + 200];
  const setLength = async (text: string): Promise<void> => {
    await page.getByLabel('How long is this really?').fill(text);
    await page.keyboard.press('Enter');
  };
  await page.keyboard.press('s');
  await click(left, top);
  await click(right, top);
  await setLength(`60'`);
  // On a scan the other way follows in the same pass.
  await expect(page.getByText(/A scan can be stretched: click both ends/)).toBeVisible();
  await click(left, top);
  await click(left, bottom);
  await expect(page.getByText(/keep 60' in the other direction/)).toBeVisible();
  await setLength(`40'`);
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('button', { name: /across, 1:.* up/ })).toBeVisible();
  for (const [ends, truth] of [
    [[left, top, right, top], 60],
    [[left, top, left, bottom], 40],
    [[left, top, right, bottom], Math.hypot(60, 40)],
  ] as const) {
    await page.keyboard.press('l');
    await click(ends[0], ends[1]);
    await click(ends[2], ends[3]);
    await page.keyboard.press('Enter');
    await page.keyboard.press('Escape');
    await expect
      .poll(async () => Math.abs((await feetOf(tallyFigure(page, 'run_1'))) / truth - 1))
      .toBeLessThan(0.003);
    await page.keyboard.press('Control+z');
  }
});

test('a length in the wrong unit is asked about before it is taken', async ({ page }) => {
  await newJob(page, 'Slip');
  await addPdf(page);
  await expect(page.getByRole('article')).toHaveCount(DEMO_SHEETS);
  await page.getByRole('button', { name: 'Open A-101 Ground floor plan' }).click();
  const desk = page.getByRole('application', { name: /Sheet A-101/ });
  await expect(desk).toHaveAttribute('data-marks', 'drawn');
  const box = await desk.boundingBox();
  if (box === null) throw new Error('no desk');
  await page.keyboard.press('s');
  await page.mouse.click(box.x + 215, box.y + 189);
  await page.mouse.click(box.x + 585, box.y + 189);
  await page.getByLabel('How long is this really?').fill('124 in');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText(
    `12 times smaller than 1/8" = 1'-0", which the sheet prints`,
  );
  await expect(page.getByRole('button', { name: 'No scale' })).toBeVisible();
  await page.getByLabel('How long is this really?').fill(`124'`);
  await page.keyboard.press('Enter');
  await expect(page.getByText('The scale is set.', { exact: false })).toBeVisible();
});

test('sheets are edited many at once in a table, put on levels, and found by the text on them', async ({
  page,
}) => {
  await openDemo(page);
  await page.getByRole('button', { name: 'As a table' }).click();
  const grid = page.getByRole('grid', { name: 'Sheets' });
  await grid.getByRole('gridcell', { name: 'Ground floor plan' }).click();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  // The plan is on a level already; the foundation, two rows down, is put on a new one.
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.type('Footings');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Undo change a sheet' })).toBeVisible();
  await expect(page.getByLabel('How many times Footings is built')).toHaveValue('1');
  const before = await page.locator('[data-total]').getAttribute('data-total');
  const times = page.getByLabel('How many times Ground floor is built');
  await times.fill('2');
  await times.press('Enter');
  await expect(page.locator('[data-total]')).not.toHaveAttribute('data-total', before ?? '');
  await page.getByRole('button', { name: 'Undo Ground floor times 2' }).click();
  await expect(page.locator('[data-total]')).toHaveAttribute('data-total', before ?? '');

  await page.getByRole('button', { name: 'As pictures' }).click();
  await page.getByLabel('Find sheets by name or by text on them').fill('panic hardware');
  await expect(page.getByRole('article')).toHaveCount(1);
  await expect(page.getByRole('article', { name: /A-601/ })).toContainText('Panic hardware');
});

test('a scan of several pages comes in as TIFF, each page a sheet that is measured on', async ({ page }) => {
  await newJob(page, 'Scanned pages');
  const buffer = writeTiff(
    [
      { width: 800, height: 500 },
      { width: 500, height: 800 },
    ],
    100,
  );
  await addPdf(page, { name: 'as built.tif', mimeType: 'image/tiff', buffer });
  await expect(page.getByRole('article')).toHaveCount(2);
  await page.getByRole('article').first().getByRole('button', { name: /^Open/ }).click();
  await expect(page.locator('[data-drawn="sharp"]')).toHaveCount(1);
  const root = page.getByRole('application');
  await expect(root).toHaveAttribute('data-camera-scale', /\d/);
  // 8 in wide at 100 dots an inch: at 1:48, 32 ft.
  await page.getByRole('button', { name: 'Type a scale' }).click();
  await page.getByRole('dialog').getByRole('textbox').first().fill(`1/4" = 1'-0"`);
  await page.keyboard.press('Enter');
  const desk = createDesk(page, root, ([x, y]) => [x, y]);
  await page.keyboard.press('n');
  const figure = await measureNew(page, desk, 'Run', [
    [
      [1, 180],
      [575, 180],
    ],
  ]);
  await expect(figure).toHaveText(/′/);
  expect(Math.abs((await feetOf(figure)) / (574 / 18) - 1)).toBeLessThan(0.01);
});

test('sheets are put in order by their place, and grouped by discipline', async ({ page }) => {
  await openDemo(page);
  await page.getByLabel('Group by').selectOption('discipline');
  await expect(page.getByRole('region', { name: 'Architectural' }).getByRole('article')).toHaveCount(4);
  await page.getByLabel('Group by').selectOption('nothing');
  await page.getByRole('button', { name: 'As a table' }).click();
  const grid = page.getByRole('grid', { name: 'Sheets' });
  const first = grid.getByRole('row').nth(1);
  await expect(first).toContainText('G-001');
  await grid.getByRole('row', { name: /E-101/ }).getByRole('gridcell').first().dblclick();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('1');
  await page.keyboard.press('Enter');
  await expect(first).toContainText('E-101');
});
