/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { act, startTransition, useState } from 'react';
import { type TestPage, openTestPage } from '../testing/page.ts';
import { Grid } from './Grid.tsx';
import type { GridEdit } from './gridProps.ts';

interface Row {
  readonly key: string;
  readonly name: string;
  readonly count: number;
}

const makeRows = (count: number): readonly Row[] =>
  Array.from({ length: count }, (_, at) => ({ key: `r${at}`, name: `Row ${at}`, count: at }));

const COLUMNS = [
  {
    id: 'name',
    title: 'Name',
    width: '120px',
    show: (row: Row) => row.name,
    text: (row: Row) => row.name,
  },
  {
    id: 'count',
    title: 'Count',
    width: '80px',
    align: 'right' as const,
    show: (row: Row) => `${row.count.toFixed(2)} ea`,
    text: (row: Row) => String(row.count),
    editable: () => true,
  },
];

let page: TestPage;
/** Takes rows that were changed, now or in a moment. */
let release: (() => void) | undefined;

function Table({ rows, hold }: { readonly rows: readonly Row[]; readonly hold: boolean }) {
  const [shown, setShown] = useState(rows);
  const onEdit = (edits: readonly GridEdit<Row>[]): string | undefined => {
    const counts = new Map(edits.map(({ row, text }) => [row.key, Number(text)] as const));
    if ([...counts.values()].some(Number.isNaN)) return 'This is no figure.';
    const apply = (): void =>
      setShown((was) => was.map((row) => ({ ...row, count: counts.get(row.key) ?? row.count })));
    if (hold) release = () => startTransition(apply);
    else apply();
    return undefined;
  };
  return <Grid label="Things" columns={COLUMNS} rows={shown} keyOf={({ key }) => key} onEdit={onEdit} />;
}

const open = (count: number, hold = false): Promise<void> =>
  page.show(<Table rows={makeRows(count)} hold={hold} />);
const grid = (): HTMLElement => page.find('[role=grid]');
const cell = (row: number, column: number): HTMLElement => page.find(`#Things-${row}-${column}`);
const editor = (): HTMLInputElement | null => page.host.querySelector('input');
const pick = (row: number, column: number): Promise<void> => page.mouse('mousedown', cell(row, column));
const press = (key: string): Promise<void> => page.press(key, grid());

beforeEach(() => {
  page = openTestPage();
  // The table asks how much of it is seen.
  jest.spyOn(Element.prototype, 'clientHeight', 'get').mockReturnValue(540);
  jest.spyOn(Element.prototype, 'clientWidth', 'get').mockReturnValue(800);
  release = undefined;
});

afterEach(async () => {
  await page.end();
  jest.restoreAllMocks();
});

describe('a row that was just added', () => {
  const TYPING = { key: 'r9', column: 'count' };

  it('is typed into at once, with all of its text marked', async () => {
    const rows = makeRows(12);
    const edits: string[] = [];
    await page.show(
      <Grid
        label="Things"
        columns={COLUMNS}
        rows={rows}
        keyOf={({ key }) => key}
        typing={TYPING}
        onEdit={([edit]) => {
          edits.push(`${edit?.row.key} ${edit?.text}`);
          return undefined;
        }}
      />,
    );
    const field = editor();
    expect([field?.selectionStart, field?.selectionEnd]).toEqual([0, 1]);
    await page.type('12', field as HTMLInputElement);
    await page.press('Enter', field as HTMLInputElement);
    expect(edits).toEqual(['r9 12']);
  });
});

describe('a table that is worked like a spreadsheet', () => {
  it('draws what is seen of many rows, and says how many there are', async () => {
    await open(5000);
    expect(grid().getAttribute('aria-rowcount')).toBe('5000');
    const drawn = page.host.querySelectorAll('[role=row]').length;
    expect(drawn).toBeGreaterThan(20);
    expect(drawn).toBeLessThan(60);
  });

  it('tells where the keys go, and goes down once something was typed', async () => {
    await open(5);
    await pick(1, 1);
    expect(grid().getAttribute('aria-activedescendant')).toBe('Things-1-1');
    await press('7');
    expect(editor()?.value).toBe('7');
    await page.type('72');
    await page.press('Enter');
    expect(editor()).toBeNull();
    expect(cell(1, 1).textContent).toBe('72.00 ea');
    expect(grid().getAttribute('aria-activedescendant')).toBe('Things-2-1');
    expect(document.activeElement).toBe(grid());
  });

  it('keeps what was typed in its cell until the rows say what it came to', async () => {
    await open(5, true);
    await pick(1, 1);
    await press('7');
    const field = editor() as HTMLElement;
    const seen: (string | null)[] = [];
    const observer = new MutationObserver(() => seen.push(cell(1, 1).textContent));
    observer.observe(page.host, { subtree: true, childList: true, characterData: true });
    await act(async () => {
      field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
      release?.();
    });
    observer.disconnect();
    expect(cell(1, 1).textContent).toBe('7.00 ea');
    expect(seen).not.toContain('1.00 ea');
  });

  it('says what is wrong with a text and keeps it to be mended', async () => {
    await open(5);
    await pick(2, 1);
    await press('Enter');
    await page.type('about ten');
    await page.press('Enter');
    expect(page.host.querySelector('[role=alert]')?.textContent).toBe('This is no figure.');
    expect(editor()?.value).toBe('about ten');
    await page.press('Escape');
    expect(page.host.querySelector('[role=alert]')).toBeNull();
    expect(cell(2, 1).textContent).toBe('2.00 ea');
  });

  it('takes a text when its field is left, and changes nothing where nothing was typed', async () => {
    await open(5);
    await pick(0, 1);
    await press('F2');
    await page.type('9');
    await page.leave();
    expect(cell(0, 1).textContent).toBe('9.00 ea');
    await press('F2');
    await page.press('Enter');
    expect(cell(0, 1).textContent).toBe('9.00 ea');
  });

  it('puts a text into a whole block with Ctrl and Enter, and keeps the block', async () => {
    await open(6);
    await pick(1, 1);
    await page.mouse('mousedown', cell(3, 1), { shiftKey: true });
    await press('8');
    await page.press('Enter', page.field(), { ctrlKey: true });
    expect(editor()).toBeNull();
    expect([0, 1, 2, 3, 4].map((row) => cell(row, 1).textContent)).toEqual([
      '0.00 ea',
      '8.00 ea',
      '8.00 ea',
      '8.00 ea',
      '4.00 ea',
    ]);
    expect(page.host.querySelectorAll('[aria-selected=true]')).toHaveLength(3);
    await press('x');
    await page.type('about ten');
    await page.press('Enter', page.field(), { ctrlKey: true });
    expect(page.texts('[role=alert]')).toEqual(['This is no figure.']);
    expect(cell(1, 1).textContent).toBe('8.00 ea');
  });

  it('does not open what only shows', async () => {
    await open(5);
    await pick(0, 0);
    await press('Enter');
    await press('x');
    expect(editor()).toBeNull();
  });

  it('selects a block with Shift, told to readers', async () => {
    await open(5);
    await pick(1, 0);
    await page.mouse('mousedown', cell(3, 1), { shiftKey: true });
    const selected = [...page.host.querySelectorAll('[aria-selected=true]')].map(({ id }) => id);
    expect(selected).toHaveLength(6);
    expect(selected).toContain('Things-2-0');
  });
});

describe('a table that is arranged', () => {
  const SORTABLE = [
    { ...COLUMNS[0]!, sortBy: ({ name }: Row) => name },
    { ...COLUMNS[1]!, sortBy: ({ count }: Row) => (count === 0 ? '' : count) },
  ];
  const FRUIT: readonly Row[] = [
    { key: 'a', name: 'plum', count: 10 },
    { key: 'b', name: 'apple 10', count: 0 },
    { key: 'c', name: 'apple 9', count: 9 },
  ];
  const names = (): readonly (string | null)[] => [0, 1, 2].map((row) => cell(row, 0).textContent);
  const head = (title: string): HTMLElement =>
    [...page.host.querySelectorAll<HTMLElement>('[role=columnheader]')].find(
      ({ textContent }) => textContent === title,
    )!;
  const show = (onPaste?: (shown: readonly Row[]) => void): Promise<void> =>
    page.show(
      <Grid
        label="Things"
        columns={SORTABLE}
        rows={FRUIT}
        keyOf={({ key }) => key}
        onEdit={() => undefined}
        onPaste={(_pasted, _from, shown) => {
          onPaste?.(shown);
          return undefined;
        }}
      />,
    );

  it('sorts by a column, the other way round, and not at all; what is empty stays last', async () => {
    await show();
    await page.mouse('click', head('Name'));
    expect(names()).toEqual(['apple 9', 'apple 10', 'plum']);
    expect(head('Name').getAttribute('aria-sort')).toBe('ascending');
    await page.mouse('click', head('Name'));
    expect(names()).toEqual(['plum', 'apple 10', 'apple 9']);
    await page.mouse('click', head('Name'));
    expect(names()).toEqual(['plum', 'apple 10', 'apple 9']);
    expect(head('Name').getAttribute('aria-sort')).toBe('none');
    await page.mouse('click', head('Count'));
    expect(names()).toEqual(['apple 9', 'plum', 'apple 10']);
    await page.mouse('click', head('Count'));
    expect(names()).toEqual(['plum', 'apple 9', 'apple 10']);
  });

  it('is sorted by keys too, and a block that is pasted goes into the rows as they are shown', async () => {
    const told: string[] = [];
    await show((shown) => told.push(...shown.map(({ key }) => key)));
    await pick(0, 0);
    await page.press('ArrowDown', grid(), { altKey: true, shiftKey: true });
    expect(names()).toEqual(['apple 9', 'apple 10', 'plum'].reverse());
    await page.press('ArrowUp', grid(), { altKey: true, shiftKey: true });
    expect(names()).toEqual(['apple 9', 'apple 10', 'plum']);
    const paste = new Event('paste', { bubbles: true, cancelable: true });
    Object.assign(paste, { clipboardData: { getData: () => 'x' } });
    await act(async () => void grid().dispatchEvent(paste));
    expect(told).toEqual(['c', 'b', 'a']);
  });

  it('makes a column wider by keys, and gives it its usual width back', async () => {
    jest.spyOn(HTMLElement.prototype, 'offsetWidth', 'get').mockReturnValue(120);
    await show();
    await pick(0, 0);
    await page.press('ArrowRight', grid(), { altKey: true, shiftKey: true });
    expect(head('Name').parentElement?.style.gridTemplateColumns).toBe('136px 80px');
    await page.mouse('dblclick', head('Name').querySelector('.column-edge') as HTMLElement);
    expect(head('Name').parentElement?.style.gridTemplateColumns).toBe('120px 80px');
  });
});
