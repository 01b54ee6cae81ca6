import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { A1, strangerSheets } from '@zest/demo/strangers/sheets';
import type { Spot } from '@zest/demo/strangers/plan';
import { writeStranger } from '@zest/demo/strangers/write';
import { createHands } from '../drivers/actions.ts';
import { createDesk, tallyFigure, totalOf, waitSaved } from '../drivers/zest.ts';

/** What the design allows from an empty company to a bid with an option. */
const MOST_ACTIONS = 150;

const LIGHTS = [
  ['TYPE', 'DESCRIPTION', 'QTY'],
  ['L1', 'Recessed, 600 x 600', '8'],
  ['L2', 'Surface', '4'],
] as const;

const text = (words: string, x: number, y: number, size = 10) =>
  `BT /F1 ${size} Tf 1 0 0 1 ${x} ${A1.height - y} Tm (${words}) Tj ET`;

/** A stranger's plan at 1:100 with a schedule of its lights and a light in each room. */
async function drawSheet() {
  const [plan] = strangerSheets();
  if (plan === undefined) throw new Error('drawSheet: no sheet');
  const rooms = Array.from({ length: 12 }, (_, i) => plan.corners.slice(4 * i, 4 * i + 4));
  const lights = rooms.map(([a, , c]): Spot => [((a?.[0] ?? 0) + (c?.[0] ?? 0)) / 2, (a?.[1] ?? 0) + 22]);
  const symbols = lights.map(([x, y]) => `0.5 w ${x - 5} ${A1.height - y - 5} 10 10 re S`);
  const table = LIGHTS.flatMap((row, i) =>
    row.map((words, j) => text(words, 300 + ([0, 70, 230][j] ?? 0), 1250 + 24 * i)),
  );
  const block = [text('Scale:', 1900, 1640, 9), text('1:100', 1960, 1640, 9), text('A-101', 2250, 1640, 22)];
  const content = `q ${plan.content} Q ${[...symbols, ...table, ...block].join('\n')}`;
  return { plan, rooms, lights, bytes: Buffer.from(await writeStranger({ ...plan, content })) };
}

test('a first bid with an option on a stranger’s sheet', async ({ page }) => {
  test.setTimeout(120_000);
  const { plan, rooms, lights, bytes } = await drawSheet();
  const hands = createHands(page);
  await page.goto('/jobs');
  // The job, its sheet and its scale.
  await hands.click(page.getByRole('button', { name: 'New job' }));
  await hands.type(page.getByLabel('Name', { exact: true }), 'Mill end store');
  await hands.choose(page.getByLabel('Units'), 'metric');
  await hands.click(page.getByRole('button', { name: 'Create the job' }));
  await hands.file(page.getByLabel('PDF of the drawings'), {
    name: 'a-101.pdf',
    mimeType: 'application/pdf',
    buffer: bytes,
  });
  await expect(page.getByRole('article')).toHaveCount(1);
  await hands.click(page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /^Measure/ }));
  await hands.click(page.getByRole('button', { name: 'Use the printed 1:100' }));
  const root = page.getByRole('application', { name: /^Sheet/ });
  await expect(root).toHaveAttribute('data-snap', /\d/);
  const desk = createDesk(page, root, ([x, y]) => [x, y]);
  const middle = plan.corners[22] as Spot;
  await desk.zoomTo(middle, 3);

  // Partitions along their dashed centers, which cross in the nodes.
  const node = (i: number): Spot => {
    const [x, y] = plan.corners[i] as Spot;
    const half = (2 * 72) / 25.4 / 2;
    return [x, y].map((each) => each - half) as unknown as Spot;
  };
  const corner = (column: number, row: number): Spot => node(4 * (4 * row + column));
  const last = plan.corners[4 * 11 + 2] as Spot;
  const half = (2 * 72) / 25.4 / 2;
  const foot = last[1] + half;
  const right = last[0] + half;
  await hands.key('l');
  const ask = page.getByLabel('What do you measure?');
  await hands.type(ask, 'stud partition');
  await hands.click(page.getByRole('option', { name: /partition/i }).first());
  for (const column of [1, 2, 3]) {
    const [x, y] = corner(column, 0);
    await hands.point(desk, [x, y]);
    await hands.point(desk, [x, foot]);
    await hands.key('Enter');
  }
  for (const row of [1, 2]) {
    const [x, y] = corner(0, row);
    await hands.point(desk, [x, y]);
    await hands.point(desk, [right, y]);
    await hands.key('Enter');
  }

  // Doors sit in them, one click each.
  await hands.key('o');
  for (const door of plan.doors) await hands.point(desk, door);
  await expect(page.getByRole('button', { name: /^Undo place/ })).toBeVisible();
  await hands.key('Escape');

  // Rooms as boxes from corner to corner, tiled.
  await hands.key('a');
  await hands.type(ask, 'floor tile');
  await hands.click(page.getByRole('option', { name: /Floor tile/ }).first());
  await hands.choose(page.getByLabel('How the next piece is drawn'), 'box');
  for (const [a, , c] of rooms) {
    await hands.point(desk, a as Spot);
    await hands.point(desk, c as Spot);
  }
  const truth = rooms.reduce((sum, [a, , c]) => {
    const [p, q] = [a as Spot, c as Spot];
    return sum + ((q[0] - p[0]) * (q[1] - p[1]) * (100 * 0.0254) ** 2) / 72 ** 2;
  }, 0);
  const figure = async (key: string): Promise<number> =>
    Number(
      (await tallyFigure(page, key).innerText())
        .replace('.', '')
        .replace(',', '.')
        .replace(/[^\d.]/g, ''),
    );
  await expect.poll(() => figure('floor_tile')).toBeCloseTo(truth, 1);

  // Lights from the schedule.
  await page.keyboard.press('0');
  await hands.key('t');
  await hands.box(desk, [280, 1230], [700, 1310]);
  await hands.click(page.getByRole('button', { name: 'Make 2 scopes' }));
  for (const [name, from, to] of [
    ['L1', 0, 8],
    ['L2', 8, 12],
  ] as const) {
    await hands.click(page.getByRole('button', { name, exact: true }));
    await hands.key('c');
    for (const at of lights.slice(from, to)) await hands.point(desk, at);
    await hands.key('Escape');
    await hands.type(page.getByLabel('Apply an assembly'), 'light fixture');
    await hands.click(page.getByRole('option', { name: /Light fixture/ }).first());
  }
  await expect(tallyFigure(page, 'l1')).toHaveText(/8.*of 8/);

  // A price of one's own, in the cell where a sample stands.
  await hands.click(page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /^Prices/ }));
  await hands.type(page.getByLabel('Search the price book'), 'FN-TIL');
  const tile = page.getByRole('grid', { name: 'Price book' }).getByRole('row', { name: /FN-TIL/ });
  await expect(tile).toContainText('sample');
  await hands.click(tile.getByRole('gridcell').nth(4));
  await page.keyboard.type('4,10');
  await hands.key('Enter');
  await expect(tile).not.toContainText('sample');

  // An option: the tiles.
  await hands.click(
    page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /^Estimate/ }),
  );
  const grid = page.getByRole('grid', { name: 'Estimate' });
  await hands.click(grid.getByRole('gridcell', { name: 'Floor tile', exact: true }).first());
  const before = await totalOf(page);
  await hands.choose(page.getByLabel('Alternate of the selected lines'), {
    label: 'Added by a new alternate',
  });
  await expect.poll(() => totalOf(page)).toBeLessThan(before);

  // The bid with its option, as PDF and as workbook.
  await hands.click(page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /^Bid/ }));
  const paper = page.getByRole('article', { name: /^Bid/ });
  await expect(paper).toContainText('Alternates');
  await expect(paper).toContainText('Contains sample prices');
  for (const [name, start] of [
    ['PDF', '%PDF-'],
    ['XLSX', 'PK'],
  ] as const) {
    const download = page.waitForEvent('download');
    if (name === 'PDF') await hands.click(page.getByRole('button', { name: 'Save PDF' }));
    else {
      await hands.click(page.getByRole('button', { name: 'Save as' }));
      await hands.click(page.getByRole('menuitem', { name: 'XLSX, with live sums' }));
    }
    const bytesOut = await readFile(await (await download).path());
    expect(bytesOut.subarray(0, start.length).toString('latin1')).toBe(start);
  }
  await waitSaved(page);
  // Read by whoever compares one version with another.
  // eslint-disable-next-line no-console
  console.log(`actions: ${hands.count()}`);
  expect(hands.count()).toBeLessThanOrEqual(MOST_ACTIONS);
});
