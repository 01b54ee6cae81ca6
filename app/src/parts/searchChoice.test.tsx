/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { type TestPage, openTestPage } from '../testing/page.ts';
import { SearchChoice } from './SearchChoice.tsx';

const THINGS = ['Brick', 'Block', 'Bond beam', 'Mortar'];
const find = (text: string) =>
  THINGS.filter((name) => name.toLowerCase().includes(text.toLowerCase())).map((name) => ({
    id: name,
    content: name,
  }));

let page: TestPage;
let chosen: string[];
let left: number;

interface ShownAs {
  readonly exact?: (text: string) => string | undefined;
  readonly onUnknown?: (text: string) => void;
  readonly inCell?: { readonly first: string | undefined; readonly onLeave: () => void };
}

const show = (more: ShownAs = {}): Promise<void> =>
  page.show(
    <SearchChoice
      label="Item"
      listLabel="Items"
      placeholder="find"
      value="Brick"
      width={200}
      side="left"
      find={find}
      nothing="Nothing is called that."
      onChoose={(id) => chosen.push(id)}
      {...more}
    />,
  );

beforeEach(() => {
  page = openTestPage();
  chosen = [];
  left = 0;
});
afterEach(() => page.end());

describe('a text that is nothing here', () => {
  it('is handed on by Enter and on leaving, never dropped in silence', async () => {
    const told: string[] = [];
    await show({ onUnknown: (text) => told.push(text) });
    await page.type('Crane hire');
    await page.press('Enter');
    await page.focus();
    await page.type('b');
    await page.leave();
    expect(told).toEqual(['Crane hire', 'b']);
    expect(chosen).toEqual([]);
  });

  it('is not what was chosen from the list, by hand or by Enter', async () => {
    const told: string[] = [];
    await show({ onUnknown: (text) => told.push(text) });
    await page.focus();
    await page.type('mor');
    await page.mouse('mousedown', page.find('[role=option]'));
    await page.focus();
    await page.type('bri');
    await page.press('Enter');
    await page.leave();
    expect([chosen, told]).toEqual([['Mortar', 'Brick'], []]);
  });

  it('is not what was put back by Escape', async () => {
    const told: string[] = [];
    await show({ onUnknown: (text) => told.push(text) });
    await page.type('Crane hire');
    await page.press('Escape');
    await page.leave();
    expect(told).toEqual([]);
  });
});

describe('a field that finds while one types', () => {
  it('shows what fits, and says so to readers', async () => {
    await show();
    expect(page.field().getAttribute('aria-expanded')).toBe('false');
    await page.type('bo');
    expect(page.texts('[role=option]')).toEqual(['Bond beam']);
    expect(page.field().getAttribute('aria-expanded')).toBe('true');
    expect(page.find('[role=listbox]').id).toBe(page.field().getAttribute('aria-controls'));
    await page.type('xyz');
    expect(page.texts('[role=option]')).toEqual(['Nothing is called that.']);
  });

  it('goes through the list by arrow keys, to its ends, and takes by Enter', async () => {
    await show();
    await page.type('b');
    const active = (): string | null | undefined =>
      document.getElementById(page.field().getAttribute('aria-activedescendant') ?? '')?.textContent;
    expect(active()).toBe('Brick');
    await page.press('ArrowUp');
    expect(active()).toBe('Brick');
    for (let i = 0; i < 5; i += 1) await page.press('ArrowDown');
    expect(active()).toBe('Bond beam');
    await page.press('Enter');
    expect(chosen).toEqual(['Bond beam']);
    expect(page.texts('[role=option]')).toEqual([]);
  });

  it('takes what is clicked, before the field loses the focus', async () => {
    await show();
    await page.focus();
    await page.type('m');
    await page.mouse('mousedown', page.find('[role=option]:last-child'));
    expect(chosen).toEqual(['Mortar']);
  });

  it('is put back by Escape and by leaving, but for what was meant', async () => {
    await show();
    await page.focus();
    await page.type('block');
    await page.press('Escape');
    expect(page.field().value).toBe('Brick');
    await page.type('mor');
    await page.leave();
    expect([chosen, page.field().value]).toEqual([[], 'Brick']);
    await show({ exact: (text) => THINGS.find((name) => name.toLowerCase() === text.toLowerCase()) });
    await page.focus();
    await page.type('mortar');
    await page.leave();
    expect(chosen).toEqual(['Mortar']);
  });

  it('in a cell goes on from the first letter, and lets go of the cell', async () => {
    await show({ inCell: { first: 'm', onLeave: () => (left += 1) } });
    expect(document.activeElement).toBe(page.field());
    expect(page.field().value).toBe('m');
    expect(page.field().selectionStart).toBe(1);
    expect(page.texts('[role=option]')).toEqual(['Bond beam', 'Mortar']);
    await page.press('Escape');
    expect(left).toBeGreaterThan(0);
    expect(chosen).toEqual([]);
  });
});
