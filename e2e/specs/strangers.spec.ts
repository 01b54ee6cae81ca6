import { type Locator, type Page, expect, test } from '@playwright/test';
import { A1, strangerSheets } from '@zest/demo/strangers/sheets';
import { titledSheets } from '@zest/demo/strangers/titleBlocks';
import { writeStranger } from '@zest/demo/strangers/write';
import type { Spot } from '@zest/demo/strangers/plan';
import { addPdf, createDesk, goTo, letScopeBe, newJob, tallyFigure } from '../drivers/zest.ts';

const named = <Sheet extends { readonly name: string }>(sheets: readonly Sheet[], name: string): Sheet => {
  const found = sheets.find((each) => each.name.startsWith(name));
  if (found === undefined) throw new Error(`named: no sheet ${name}`);
  return found;
};

/** Meters a sheet point is at 1:50. */
const AT_50 = (50 * 0.0254) / 72;

/** A stranger's plan with a stranger's title block, opened to measure on. */
async function openStranger(page: Page, walls: string, block: string) {
  const plan = named(strangerSheets(), walls);
  const content = `q ${plan.content} Q ${named(titledSheets(), block).content}`;
  const buffer = Buffer.from(await writeStranger({ ...plan, content }));
  await newJob(page, 'Stranger', 'metric');
  await addPdf(page, { name: 'stranger.pdf', mimeType: 'application/pdf', buffer });
  await expect(page.getByRole('article')).toHaveCount(1);
  await goTo(page, 'Measure');
  const root = page.getByRole('application', { name: /^Sheet/ });
  await expect(root).toHaveAttribute('data-camera-scale', /\d/);
  await expect(root).toHaveAttribute('data-snap', /\d/);
  return { plan, root, desk: createDesk(page, root, ([x, y]) => [x, y]) };
}

const areaOf = (corners: readonly Spot[]): number =>
  Math.abs(
    corners.reduce((sum, [x, y], i) => {
      const [nx, ny] = corners[(i + 1) % corners.length] as Spot;
      return sum + (x * ny - nx * y) / 2;
    }, 0),
  );

const squareMeters = async (figure: Locator): Promise<number> =>
  Number((await figure.innerText()).replace(',', '.').replace(/[^\d.]/g, ''));

test("a room on a stranger's sheet: its printed scale in one click, its corners drawn to, a shaft cut out", async ({
  page,
}) => {
  const { plan, desk } = await openStranger(page, 'one thick stroke, 3 mm', '1:50, bottom strip');
  await page.getByRole('button', { name: 'Use the printed 1:50' }).click();
  const room = plan.corners.slice(0, 4);
  const [first] = room as [Spot];
  await desk.zoomTo(first, 3);
  await page.keyboard.press('a');
  await letScopeBe(page);
  await expect(page.getByLabel('What the pen snaps to')).toHaveValue('lines');
  await expect(page.locator('#snap-seen')).toHaveText(/\d+ lines/);
  // Each corner a millimeter of paper off, to the inside and the outside in turn.
  for (const [i, [x, y]] of room.entries()) {
    const off = i % 2 === 0 ? 1.1 : -1.1;
    await desk.move([x + off, y - off / 2]);
    await expect(page.locator('.snap-sign')).toHaveText('corner');
    await desk.click([x + off, y - off / 2]);
  }
  await page.keyboard.press('Enter');
  const truth = areaOf(room) * AT_50 ** 2;
  await expect.poll(() => squareMeters(tallyFigure(page, 'area_1'))).toBeCloseTo(truth, 1);

  const [cx, cy] = [(room[0]?.[0] ?? 0) + 40, (room[0]?.[1] ?? 0) + 40];
  await page.keyboard.press('n');
  await page.keyboard.press('e');
  await desk.click([cx, cy]);
  await desk.click([cx + 28.346, cy + 28.346]);
  await expect(page.getByText(/lies inside an area of/)).toBeVisible();
  await page.keyboard.press('u');
  // A shaft of 10 mm of paper a side is 0.5 m at 1:50.
  await expect.poll(() => squareMeters(tallyFigure(page, 'area_1'))).toBeCloseTo(truth - 0.25, 1);
  await page.getByRole('button', { name: /^Undo cut a hole out of/ }).click();
  await expect.poll(() => squareMeters(tallyFigure(page, 'area_1'))).toBeCloseTo(truth + 0.25, 1);
});

test('a sheet with several scales offers each, and nothing is taken by itself', async ({ page }) => {
  await openStranger(page, 'two lines, 2 mm', 'AS NOTED, right column');
  for (const scale of ['1:50', '1:5', '1:20'])
    await expect(page.getByRole('button', { name: `Use the printed ${scale}`, exact: true })).toBeVisible();
});

test('bare floor draws the pen to nothing, and marks draw it only when that is chosen', async ({ page }) => {
  const { plan, desk } = await openStranger(page, 'two lines, 2 mm', '1:50, table at the corner');
  await page.keyboard.press('l');
  await letScopeBe(page);
  for (const spot of plan.floor.slice(0, 4)) {
    await desk.move(spot);
    await expect(page.locator('.snap-sign')).toHaveCount(0);
  }
  const [from, to] = plan.floor as [Spot, Spot];
  await desk.click(from);
  await desk.click(to);
  await page.keyboard.press('Enter');
  await desk.move([from[0] + 2, from[1] + 2]);
  await expect(page.locator('.snap-sign')).toHaveCount(0);
  await page.getByLabel('What the pen snaps to').selectOption('marks');
  await desk.move([from[0] + 2, from[1] + 2.5]);
  await expect(page.locator('.snap-sign')).toHaveText('end');
});

test('a scale for another paper offers what it comes to on this one', async ({ page }) => {
  const content = named(titledSheets(), '1:100 @ A1, right column').content;
  // Printed at half the size: A3 for A1.
  const buffer = Buffer.from(
    await writeStranger({
      width: A1.width / 2,
      height: A1.height / 2,
      content: `.5 0 0 .5 0 0 cm ${content}`,
      hidden: '',
    }),
  );
  await newJob(page, 'Half size', 'metric');
  await addPdf(page, { name: 'half.pdf', mimeType: 'application/pdf', buffer });
  await expect(page.getByRole('article')).toHaveCount(1);
  await goTo(page, 'Measure');
  await page.getByRole('button', { name: 'Use 1:200: 1:100 @ A1, on A3 paper' }).click();
  await expect(page.getByRole('button', { name: '1:200' })).toBeVisible();
});

test('a schedule without ruled lines is read, a column split, and its rows counted against what it says', async ({
  page,
}) => {
  const text = (words: string, x: number, y: number) =>
    `BT /F1 10 Tf 1 0 0 1 ${x} ${A1.height - y} Tm (${words}) Tj ET`;
  const rows = [
    ['TYPE', 'DESCRIPTION', 'QTY', 'ROOM'],
    ['L1 LED', 'Recessed, 600 x 600', '3', 'Office'],
    ['L2 LED', 'Surface', '8', 'Stair'],
  ];
  const content = rows
    .flatMap((row, i) => row.map((words, j) => text(words, 400 + [0, 120, 300, 380][j]!, 600 + 24 * i)))
    .join('\n');
  const buffer = Buffer.from(await writeStranger({ ...A1, content, hidden: '' }));
  await newJob(page, 'Lights', 'metric');
  await addPdf(page, { name: 'lights.pdf', mimeType: 'application/pdf', buffer });
  await expect(page.getByRole('article')).toHaveCount(1);
  await goTo(page, 'Measure');
  const root = page.getByRole('application', { name: /^Sheet/ });
  await expect(root).toHaveAttribute('data-camera-scale', /\d/);
  const desk = createDesk(page, root, ([x, y]) => [x, y]);
  await page.keyboard.press('t');
  await desk.move([380, 580]);
  await page.mouse.down();
  await desk.move([500, 620]);
  await desk.move([860, 670]);
  await page.mouse.up();
  const dialog = page.getByRole('dialog', { name: 'Read a schedule' });
  await expect(dialog.getByLabel('Heading of column 1')).toHaveValue('TYPE');
  await dialog.getByRole('button', { name: 'Split TYPE at the first space' }).click();
  await expect(dialog.getByLabel('TYPE, row 1')).toHaveValue('L1');
  await dialog.getByRole('button', { name: 'Make 2 scopes' }).click();
  await expect(dialog).toBeHidden();
  await page.getByRole('button', { name: 'L1', exact: true }).click();
  await expect(page.getByLabel('Expected count')).toHaveValue('3');
  await expect(page.getByLabel('Location')).toHaveValue('Office');
  await page.keyboard.press('c');
  await desk.click([200, 200]);
  await desk.click([260, 200]);
  await expect(tallyFigure(page, 'l1')).toHaveText(/2.*of 3/);
  await page.keyboard.press('Escape');
  await goTo(page, 'Second look');
  await expect(
    page.getByText('2 counted, but the schedule says 3. Count the rest, or correct the number.'),
  ).toBeVisible();
});
