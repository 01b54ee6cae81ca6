/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { act, startTransition, useState } from 'react';
import { type Root, createRoot } from 'react-dom/client';
import { Grid, type GridEdit } from './Grid.tsx';

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

let root: Root;
let host: HTMLElement;
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

async function open(count: number, hold = false): Promise<void> {
  await act(async () => root.render(<Table rows={makeRows(count)} hold={hold} />));
}

const grid = (): HTMLElement => host.querySelector<HTMLElement>('[role=grid]') as HTMLElement;
const cell = (row: number, column: number): HTMLElement =>
  host.querySelector<HTMLElement>(`#Things-${row}-${column}`) as HTMLElement;
const editor = (): HTMLInputElement | null => host.querySelector('input');
const press = (key: string, target: HTMLElement = grid()): Promise<void> =>
  act(async () => {
    target.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
  });
const pick = (row: number, column: number): Promise<void> =>
  act(async () => {
    cell(row, column).dispatchEvent(new MouseEvent('mousedown', { bubbles: true }));
  });
const type = (text: string): Promise<void> =>
  act(async () => {
    const field = editor() as HTMLInputElement;
    // As a browser does it: through the element, not React's own bookkeeping of it.
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(field, text);
    field.dispatchEvent(new Event('input', { bubbles: true }));
  });

beforeEach(() => {
  (globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
  // jsdom lays nothing out; the table asks how much of it is seen.
  jest.spyOn(Element.prototype, 'clientHeight', 'get').mockReturnValue(540);
  jest.spyOn(Element.prototype, 'clientWidth', 'get').mockReturnValue(800);
  host = document.body.appendChild(document.createElement('div'));
  root = createRoot(host);
  release = undefined;
});

afterEach(async () => {
  await act(async () => root.unmount());
  host.remove();
  jest.restoreAllMocks();
});

describe('a table that is worked like a spreadsheet', () => {
  it('draws what is seen of many rows, and says how many there are', async () => {
    await open(5000);
    expect(grid().getAttribute('aria-rowcount')).toBe('5000');
    const drawn = host.querySelectorAll('[role=row]').length;
    expect(drawn).toBeGreaterThan(20);
    expect(drawn).toBeLessThan(60);
  });

  it('tells where the keys go, and goes down once something was typed', async () => {
    await open(5);
    await pick(1, 1);
    expect(grid().getAttribute('aria-activedescendant')).toBe('Things-1-1');
    await press('7');
    expect(editor()?.value).toBe('7');
    await type('72');
    await press('Enter', editor() as HTMLElement);
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
    observer.observe(host, { subtree: true, childList: true, characterData: true });
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
    await type('about ten');
    await press('Enter', editor() as HTMLElement);
    expect(host.querySelector('[role=alert]')?.textContent).toBe('This is no figure.');
    expect(editor()?.value).toBe('about ten');
    await press('Escape', editor() as HTMLElement);
    expect(host.querySelector('[role=alert]')).toBeNull();
    expect(cell(2, 1).textContent).toBe('2.00 ea');
  });

  it('takes a text when its field is left, and changes nothing where nothing was typed', async () => {
    await open(5);
    await pick(0, 1);
    await press('F2');
    await type('9');
    await act(async () => editor()?.blur());
    expect(cell(0, 1).textContent).toBe('9.00 ea');
    await press('F2');
    await press('Enter', editor() as HTMLElement);
    expect(cell(0, 1).textContent).toBe('9.00 ea');
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
    await act(async () => {
      cell(3, 1).dispatchEvent(new MouseEvent('mousedown', { bubbles: true, shiftKey: true }));
    });
    const selected = [...host.querySelectorAll('[aria-selected=true]')].map(({ id }) => id);
    expect(selected).toHaveLength(6);
    expect(selected).toContain('Things-2-0');
  });
});
