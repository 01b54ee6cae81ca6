import { type Locator, type Page, expect, test } from '@playwright/test';
import { BEAMS, SUSPENDED } from '@zest/demo/boathouse/beams';
import {
  BAY_SLAB,
  GRADE_BEAMS,
  HOUSE_SLAB,
  PADS,
  type Place,
  ROOMS,
  WALLS,
  areaOf,
  lengthOf,
} from '@zest/demo/boathouse/building';
import { FEEDER, FIXTURES } from '@zest/demo/boathouse/electrical';
import { ROOF_SLOPES } from '@zest/demo/boathouse/roof';
import { placeOnScan } from '@zest/demo/boathouse/scan';
import { TERRACE, UPPER_FLOOR, UPPER_ROOMS } from '@zest/demo/boathouse/upperFloor';
import { PAVILION_BEAMS, PAVING } from '@zest/demo/pavilion/building';
import { onPavilion } from '@zest/demo/pavilion/sheets';
import {
  type Desk,
  addPdf,
  measureNew,
  newJob,
  openDemo,
  openSheet,
  readFeet,
  readNumber,
} from '../drivers/zest.ts';

/** Every figure measured on the screen agrees with the building's model within this share. */
const TOLERANCE = 0.003;

interface Step {
  readonly name: string;
  readonly kind: 'Run' | 'Area' | 'Count';
  readonly chains: readonly (readonly Place[])[];
  readonly truth: number;
}

const runOf = (name: string, lines: readonly { readonly from: Place; readonly to: Place }[]): Step => ({
  name,
  kind: 'Run',
  chains: lines.map(({ from, to }) => [from, to]),
  truth: lines.reduce((sum, line) => sum + lengthOf(line), 0),
});
const areaStep = (name: string, ...rings: readonly (readonly Place[])[]): Step => ({
  name,
  kind: 'Area',
  chains: rings,
  truth: rings.reduce((sum, ring) => sum + areaOf(ring), 0),
});
const countOf = (name: string, places: readonly Place[]): Step => ({
  name,
  kind: 'Count',
  chains: places.map((place) => [place]),
  truth: places.length,
});
const roomOf = (number: string): readonly Place[] => {
  const room = [...ROOMS, ...UPPER_ROOMS].find((each) => each.number === number);
  if (room === undefined) throw new Error(`roomOf: no room ${number}`);
  return room.corners;
};
const chainLength = (chain: readonly Place[]): number =>
  chain
    .slice(1)
    .reduce((sum, [x, y], i) => sum + Math.hypot(x - (chain[i]?.[0] ?? 0), y - (chain[i]?.[1] ?? 0)), 0);

/** The script: what an estimator would measure on each sheet. */
const SCRIPT: Readonly<Record<string, readonly Step[]>> = {
  'A-101': [
    runOf(
      'Partition P2',
      WALLS.filter(({ type }) => type === 'P2'),
    ),
    runOf(
      'Block walls',
      WALLS.filter(({ type }) => type === 'block'),
    ),
    areaStep('Changing room W', roomOf('104')),
    areaStep('Showers', roomOf('108'), roomOf('109')),
  ],
  'A-102': [
    runOf(
      'Outer walls W3',
      UPPER_FLOOR.walls.filter(({ type }) => type === 'W3'),
    ),
    areaStep('Club room', roomOf('201')),
    areaStep('Terrace', TERRACE),
  ],
  'A-201': [
    areaStep(
      'Hip roof in plan',
      ...ROOF_SLOPES.filter(({ riseIn12 }) => riseIn12 === 4).map(({ ring }) => ring),
    ),
  ],
  'S-101': [
    areaStep('Slabs', BAY_SLAB, HOUSE_SLAB),
    runOf('Grade beams', GRADE_BEAMS),
    countOf('Pads', PADS),
  ],
  'S-102': [runOf('Beams', BEAMS), areaStep('Slab of 8 in', SUSPENDED[1].ring)],
  'E-101': [
    { name: 'Feeder', kind: 'Run', chains: [FEEDER], truth: chainLength(FEEDER) },
    ...FIXTURES.slice(0, 3).map(({ tag, places }) => countOf(tag, places)),
  ],
};

const read = async (kind: Step['kind'], figure: Locator): Promise<number> => {
  await expect(figure).toHaveText(kind === 'Run' ? /′/ : /ft²/);
  const text = await figure.innerText();
  return kind === 'Run' ? readFeet(text) : readNumber(text);
};

async function follow(page: Page, desk: Desk, steps: readonly Step[]): Promise<void> {
  for (const { name, kind, chains, truth } of steps) {
    const figure = await measureNew(page, desk, kind, chains);
    if (kind === 'Count') {
      await expect(figure).toHaveText(`${truth} ea`);
      continue;
    }
    const measured = await read(kind, figure);
    expect(Math.abs(measured / truth - 1), `${name}: ${measured} for ${truth}`).toBeLessThanOrEqual(
      TOLERANCE,
    );
  }
}

for (const [number, steps] of Object.entries(SCRIPT))
  test(`the measuring script on ${number} agrees with the building`, async ({ page }) => {
    await openDemo(page);
    const desk = await openSheet(page, number);
    const use = page.getByRole('button', { name: /Use the printed/ });
    if (number === 'E-101') await use.click();
    await follow(page, desk, steps);
  });

test('the measuring script on the stretched, turned scan agrees with the building', async ({ page }) => {
  await newJob(page, 'From a scan');
  await addPdf(page, 'demo/files/tern-island-a-101-scan.pdf');
  await expect(page.getByRole('article')).toHaveCount(1);
  await page.getByLabel('Sheet number').fill('A-101');
  await page.getByLabel('Sheet number').press('Enter');
  const desk = await openSheet(page, 'A-101', false, placeOnScan);
  // One known dimension across, one up: the scan is wider than it should be.
  const setScale = async (from: Place, to: Place, length: string): Promise<void> => {
    await page.keyboard.press('s');
    await desk.click(from);
    await desk.click(to);
    await page.getByLabel('How long is this really?').fill(length);
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Done' }).click();
  };
  await setScale([0, -8], [124, -8], `124'`);
  await setScale([-8, 0], [-8, 82], `82'`);
  await follow(page, desk, SCRIPT['A-101'] ?? []);
  await expect(page.getByRole('button', { name: /across, 1:.* up/ })).toBeVisible();
});

test('the measuring script on the metric sheets agrees with the pavilion', async ({ page }) => {
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'Orchard Row Pavilion', exact: true }).click();
  const paving = await openSheet(page, 'L-1', false, onPavilion);
  const figure = await measureNew(page, paving, 'Area', [PAVING]);
  await expect(figure).toHaveText(/m²/);
  expect(
    Number(
      (await figure.innerText())
        .replace(/[^\d,]/g, '')
        .replace(',', '.')
        .replace(/²$/, ''),
    ),
  ).toBeCloseTo(720, -0.5);
  const frame = await openSheet(page, 'S-1', false, onPavilion);
  const beams = await measureNew(
    page,
    frame,
    'Run',
    PAVILION_BEAMS.map(({ from, to }) => [from, to]),
  );
  await expect(beams).toHaveText(/\d m/);
  const meters = Number(((await beams.innerText()).match(/[\d,]+/)?.[0] ?? '').replace(',', '.'));
  expect(Math.abs(meters / 114 - 1)).toBeLessThanOrEqual(TOLERANCE);
});
