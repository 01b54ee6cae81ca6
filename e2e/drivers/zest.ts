import { type Locator, type Page, expect } from '@playwright/test';
import { type Place } from '@zest/demo/boathouse/building';
import { BOATHOUSE_SHEETS } from '@zest/demo/boathouse/sheets';
import { onSheet } from '@zest/demo/boathouse/plan';

export const DEMO_JOB = 'Tern Island Boathouse';
/** Sheets of the demo set. */
export const DEMO_SHEETS = BOATHOUSE_SHEETS.length;
export const DEMO_PDF = 'demo/files/tern-island-boathouse.pdf';

/** Waits until what was changed is said to be saved. */
export const waitSaved = (page: Page): Promise<void> =>
  expect(page.locator('[data-saved="saved"]')).toBeVisible();

export async function openDemo(page: Page): Promise<void> {
  await page.goto('/jobs');
  await page.getByRole('button', { name: DEMO_JOB, exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Sheets' })).toBeVisible();
}

export async function newJob(page: Page, name: string, units: 'us' | 'metric' = 'us'): Promise<void> {
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'New job' }).click();
  const dialog = page.getByRole('dialog', { name: 'New job' });
  await dialog.getByLabel('Name').fill(name);
  await dialog.getByLabel('Units').selectOption(units);
  await dialog.getByRole('button', { name: 'Create the job' }).click();
  await expect(page.getByRole('heading', { name: 'No sheets yet' })).toBeVisible();
}

export async function addPdf(
  page: Page,
  file: Parameters<Locator['setInputFiles']>[0] = DEMO_PDF,
): Promise<void> {
  await page.getByLabel('PDF of the drawings').setInputFiles(file);
}

export const goTo = (page: Page, stage: string): Promise<void> =>
  page
    .getByRole('navigation', { name: 'Stages' })
    .getByRole('link', { name: new RegExp(`^${stage}`) })
    .click();

export const totalOf = async (page: Page): Promise<number> =>
  Number(await page.locator('[data-total]').getAttribute('data-total'));

export const tallyFigure = (page: Page, key: string): Locator => page.locator(`[data-scope="${key}"]`);

/** The desk of the measure stage: places points by the camera it states. */
export interface Desk {
  readonly root: Locator;
  readonly click: (place: Place, shift?: boolean) => Promise<void>;
  readonly move: (place: Place) => Promise<void>;
  /** Draws through places of the building and ends with Enter. */
  readonly draw: (pen: 'l' | 'a', places: readonly Place[]) => Promise<void>;
  readonly screenOf: (place: Place) => Promise<{ readonly x: number; readonly y: number }>;
  readonly zoomTo: (place: Place, wheelSteps: number) => Promise<void>;
}

/**
 * Opens a sheet to measure on. Center lines of walls are not drawn on it, so tests that trace them
 * turn snapping off, as a person would.
 */
export async function openSheet(
  page: Page,
  number: string,
  snapping = false,
  on: OnSheet = onSheet,
): Promise<Desk> {
  if (!page.url().includes('/measure')) await goTo(page, 'Measure');
  await page
    .getByRole('complementary', { name: 'Tally' })
    .getByLabel('Sheet', { exact: true })
    .selectOption({ label: await optionFor(page, number) });
  const root = page.getByRole('application', { name: new RegExp(`Sheet ${number}`) });
  await expect(root).toHaveAttribute('data-camera-scale', /\d/);
  if (snapping) await expect(root).toHaveAttribute('data-snap', /\d/);
  else if ((await root.getAttribute('data-snapping')) === 'on') {
    await page.keyboard.press('s');
    await page.keyboard.press('n');
    await page.keyboard.press('Escape');
    await expect(root).toHaveAttribute('data-snapping', 'off');
  }
  return createDesk(page, root, on);
}

async function optionFor(page: Page, number: string): Promise<string> {
  const option = page
    .getByLabel('Sheet', { exact: true })
    .locator('option', { hasText: new RegExp(`^${number} `) });
  await expect(option).toHaveCount(1);
  return option.innerText();
}

/** A pen without a scope asks for one; drawing goes to a new one where the question is left. */
export async function letScopeBe(page: Page): Promise<void> {
  const ask = page.getByLabel('What do you measure?');
  if (await ask.isVisible()) await ask.press('Escape');
}

/** Where a place of a building lies on a sheet, in sheet points. */
export type OnSheet = (place: Place) => readonly [x: number, y: number];

/** A desk of any sheet: pans, clicks and draws by places of the building. */
export function createDesk(page: Page, root: Locator, on: OnSheet = onSheet): Desk {
  const screenOf: Desk['screenOf'] = (place) => {
    const [x, y] = on(place);
    return root.evaluate(
      (element, at) => {
        const box = element.getBoundingClientRect();
        const { cameraScale, cameraX, cameraY } = (element as HTMLElement).dataset;
        return {
          x: box.left + at.x * Number(cameraScale) + Number(cameraX),
          y: box.top + at.y * Number(cameraScale) + Number(cameraY),
        };
      },
      { x, y },
    );
  };
  const move: Desk['move'] = async (place) => {
    const { x, y } = await screenOf(place);
    const box = await root.boundingBox();
    const inside = box !== null && x > box.x && x < box.x + box.width && y > box.y && y < box.y + box.height;
    if (!inside) throw new Error(`move: ${place.join(', ')} ft is not in view`);
    await page.mouse.move(x, y);
  };
  const click: Desk['click'] = async (place, shift = false) => {
    if (shift) await page.keyboard.down('Shift');
    await move(place);
    await page.mouse.down();
    await page.mouse.up();
    if (shift) await page.keyboard.up('Shift');
  };
  return {
    root,
    screenOf,
    move,
    click,
    draw: async (pen, places) => {
      await page.keyboard.press(pen);
      await letScopeBe(page);
      for (const place of places) await click(place);
      await page.keyboard.press('Enter');
    },
    zoomTo: async (place, wheelSteps) => {
      await move(place);
      for (let i = 0; i < Math.abs(wheelSteps); i += 1)
        await page.mouse.wheel(0, wheelSteps > 0 ? -120 : 120);
    },
  };
}

/** Chooses from the menu of the sheet on the desk. */
export async function doToSheet(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: 'Sheet', exact: true }).click();
  await page.getByRole('menuitem', { name, exact: true }).click();
}

/** Draws chains of places as one mark of a new scope; gives the scope's figure in the tally. */
export async function measureNew(
  page: Page,
  desk: Desk,
  kind: 'Run' | 'Area' | 'Count',
  chains: readonly (readonly Place[])[],
): Promise<Locator> {
  await page.getByRole('button', { name: 'New scope' }).click();
  await page.getByRole('menuitem', { name: new RegExp(`^${kind} `) }).click();
  for (const [index, chain] of chains.entries()) {
    if (index > 0 && kind !== 'Count') await page.keyboard.press('.');
    for (const place of chain) await desk.click(place);
  }
  if (kind !== 'Count') await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  return page.locator('.tally-row.on .tally-figure');
}

/** Finds an assembly by its name and applies it to the open scope. */
export async function applyAssembly(page: Page, name: string): Promise<void> {
  const field = page.getByRole('combobox', { name: 'Apply an assembly' });
  await field.fill(name);
  await page
    .getByRole('option', { name: new RegExp(`^${name}`) })
    .first()
    .click();
}

/** Feet in `14′-6 1/2″`. */
export function readFeet(text: string): number {
  const match = /([\d,]+)′-(\d+)(?: (\d+)\/(\d+))?″/.exec(text);
  if (match === null) throw new Error(`readFeet: ${text} is no length`);
  const inches = Number(match[2]) + (match[3] === undefined ? 0 : Number(match[3]) / Number(match[4]));
  return Number((match[1] ?? '').replace(/,/g, '')) + inches / 12;
}

/** The number at the start of `4,988.4 ft²`. */
export function readNumber(text: string): number {
  const match = /[\d,]+(?:\.\d+)?/.exec(text);
  if (match === null) throw new Error(`readNumber: ${text} has no number`);
  return Number(match[0].replace(/,/g, ''));
}

/** Feet of a figure in the tally, once it has some: it follows a moment after the mark is drawn. */
export async function feetOf(figure: Locator): Promise<number> {
  await expect(figure).toHaveText(/′/);
  return readFeet(await figure.innerText());
}

/** The number of a figure with its unit, once it has one. */
export async function numberOf(figure: Locator): Promise<number> {
  await expect(figure).toHaveText(/\d.*(²|³|m|ea)/);
  return readNumber(await figure.innerText());
}

/** A formula as it stands in its field: a plain field until it is entered, then the line of an editor. */
export const expectFormula = (field: Locator, text: string): Promise<void> =>
  expect
    .poll(() => field.evaluate((node) => (node instanceof HTMLInputElement ? node.value : node.textContent)))
    .toBe(text);
