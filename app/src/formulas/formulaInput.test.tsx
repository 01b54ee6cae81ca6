/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { act } from 'react';
import { createStore } from 'zustand/vanilla';
import { Calculation } from '@zest/core/calculate/calculation';
import { put } from '@zest/core/job/change';
import { applyDiff, settingsOf } from '@zest/core/job/job';
import type { Settings } from '@zest/core/job/records/settings';
import { createPricedJob } from '@zest/core/testing/pricedJob';
import type { JobState, JobStore } from '../stores/jobStore.ts';
import { type Stores, StoresProvider } from '../stores/context.tsx';
import { type TestPage, openTestPage } from '../testing/page.ts';
import { EditorView } from '@codemirror/view';
import { FormulaInput } from './FormulaInput.tsx';

let page: TestPage;
let taken: string[];
let steps: unknown[];

interface Asked {
  readonly value?: string;
  readonly unit?: string;
  readonly settings?: Partial<Settings>;
  readonly inCell?: string;
}

/** The field in a job with a slab of 720 ft² and a wall of 33.3 ft. */
async function show({ value = '12', unit, settings = {}, inCell }: Asked = {}): Promise<void> {
  const started = createPricedJob().job;
  const diff = put({ ...settingsOf(started), ...settings })(started);
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  const job = applyDiff(started, diff.value);
  const jobs = createStore<JobState>(
    () => ({ open: { job, figures: new Calculation(job).figures }, revision: 0 }) as unknown as JobState,
  ) as unknown as JobStore;
  await page.show(
    <StoresProvider value={{ jobs } as unknown as Stores}>
      <FormulaInput
        label="Quantity"
        value={value}
        place={{ in: 'job' }}
        unit={unit}
        onCommit={(kept) => {
          taken.push(kept);
          return kept.includes('nothing') ? 'Nothing is called that.' : undefined;
        }}
        {...(inCell === undefined
          ? {}
          : { inCell: { first: inCell, onLeave: (...how: unknown[]) => steps.push(how) } })}
      />
    </StoresProvider>,
  );
}

/** The line that is edited, once the field was entered. */
const line = (): HTMLElement => page.find('.cm-content');
const editor = (): EditorView => EditorView.findFromDOM(line()) as EditorView;
const written = (): string => editor().state.doc.toString();
const type = (text: string): Promise<void> =>
  act(async () => {
    editor().dispatch({
      changes: { from: 0, to: editor().state.doc.length, insert: text },
      selection: { anchor: text.length },
      userEvent: 'input.type',
    });
  });
const press = (key: string): Promise<void> => page.press(key, line());
/** The list of names comes a moment after the key. */
const names = async (): Promise<readonly (string | null)[]> => {
  await act(() => new Promise((resolve) => setTimeout(resolve, 50)));
  return [...document.querySelectorAll('[role=option]')].map(({ textContent }) => textContent);
};

const shown = (selector: string): string =>
  [...document.querySelectorAll(selector)].map(({ textContent }) => textContent).join(' ');

beforeEach(() => {
  page = openTestPage();
  // jsdom lays nothing out; the editor asks where its text stands.
  Range.prototype.getClientRects ??= () => [] as unknown as DOMRectList;
  Range.prototype.getBoundingClientRect ??= () => new DOMRect();
  taken = [];
  steps = [];
});
afterEach(() => page.end());

describe('a formula while it is typed', () => {
  it('says what it comes to, with its unit, at every key', async () => {
    await show({ unit: 'ft²' });
    await page.focus();
    await type('total(slab, area) / 2');
    expect(shown('.trace')).toMatch(/= 360(\.0+)? ft²/);
    expect(taken).toEqual([]);
    await press('Enter');
    expect(taken).toEqual(['total(slab, area) / 2']);
  });

  it('completes names by what they are, and takes one by keyboard', async () => {
    await show();
    await page.focus();
    await type('total(sla');
    expect((await names()).some((name) => name?.startsWith('slab'))).toBe(true);
    expect(line().getAttribute('aria-expanded')).toBe('true');
    await press('ArrowDown');
    await press('Enter');
    expect(written()).toBe('total(slab');
    // Enter took the name, not yet the formula.
    expect(taken).toEqual([]);
  });

  it('shows a mistake in its place, in words, and nothing about what is only not finished', async () => {
    await show({ unit: 'ft²' });
    await page.focus();
    await type('total(slab, area) + total(wall, length)');
    expect(shown('.field-error')).toMatch(/cannot be added/);
    await type('total(slab,');
    expect(shown('.field-error')).toBe('');
  });

  it('keeps what was refused as it was typed', async () => {
    await show();
    await page.focus();
    await type('nothing * 2');
    await press('Enter');
    expect(page.texts('[role=alert]')).toEqual(['Nothing is called that.']);
    expect(written()).toBe('nothing * 2');
    expect(line().getAttribute('aria-invalid')).toBe('true');
    await press('Escape');
    expect(written()).toBe('12');
  });

  it('is read and written with the marks of the job, and kept in plain notation', async () => {
    await show({ value: '1.5', settings: { decimalMark: ',', groupMark: '.' } });
    expect(page.field().value).toBe('1,5');
    await page.focus();
    await type('max(2,5; 3)');
    await press('Enter');
    expect(taken).toEqual(['max(2.5, 3)']);
  });

  it('takes nothing where nothing was changed', async () => {
    await show();
    await page.focus();
    await type('12');
    await page.leave(line());
    expect(taken).toEqual([]);
  });

  it('in a cell goes on where the key says, with what was typed', async () => {
    await show({ inCell: '7' });
    expect(document.activeElement).toBe(page.field());
    await page.type('75');
    await page.press('Tab');
    expect(taken).toEqual(['75']);
    expect(steps).toEqual([[{ row: 0, column: 1 }, '75']]);
    await page.leave();
    expect(taken).toEqual(['75']);
  });

  it('in a cell becomes the editor at the first key that a number does not have, with nothing taken yet', async () => {
    await show({ inCell: '7' });
    await page.type('7 * t');
    expect(written()).toBe('7 * t');
    expect(document.activeElement).toBe(line());
    expect(editor().state.selection.main.head).toBe(5);
    expect(taken).toEqual([]);
    await type('7 * 3');
    await press('Enter');
    expect(taken).toEqual(['7 * 3']);
    expect(steps).toEqual([[{ row: 1, column: 0 }, '7 * 3']]);
  });

  it('in a cell opened on a formula is the editor from the start', async () => {
    await show({ inCell: 'total(' });
    expect(written()).toBe('total(');
  });

  it('in a cell puts the number back on Escape', async () => {
    await show({ inCell: '7' });
    await page.type('75');
    await page.press('Escape');
    expect([taken, steps]).toEqual([[], [[undefined, undefined]]]);
  });
});
