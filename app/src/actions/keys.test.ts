import { describe, expect, it } from '@jest/globals';
import type { Action } from './action.ts';
import { isWholeKey, refuseKey, withKey, writeKey } from './keys.ts';

const nothing = (): void => undefined;
const run: Action = { id: 'tool-run', label: 'Draw a run', key: 'L', run: nothing };
const find: Action = { id: 'find', label: 'Find anything', key: 'Ctrl+K', run: nothing };
const legend: Action = { id: 'legend', label: 'Legend', run: nothing };
const press = (key: string, held: Partial<KeyboardEvent> = {}): string =>
  writeKey({ key, ctrlKey: false, metaKey: false, altKey: false, shiftKey: false, ...held } as KeyboardEvent);

describe('a key as it is written', () => {
  it('is a capital letter, with what is held before it', () => {
    expect(press('l')).toBe('L');
    expect(press('z', { ctrlKey: true, shiftKey: true })).toBe('Ctrl+Shift+Z');
    expect(press('k', { metaKey: true })).toBe('Ctrl+K');
    expect(press('1', { altKey: true })).toBe('Alt+1');
  });

  it('leaves Shift out where the sign says it already', () => {
    expect(press('?', { shiftKey: true })).toBe('?');
  });

  it('is not whole while only Shift, Ctrl or Alt is down', () => {
    for (const key of ['Shift', 'Control', 'Alt', 'Meta'])
      expect(isWholeKey(press(key, { ctrlKey: key === 'Control', altKey: key === 'Alt' }))).toBe(false);
    expect(isWholeKey(press('j'))).toBe(true);
  });
});

describe('the key of an action', () => {
  it('is its usual one, the chosen one, or none', () => {
    expect(withKey(run, {}).key).toBe('L');
    expect(withKey(run, { 'tool-run': 'J' }).key).toBe('J');
    expect(withKey(run, { 'tool-run': '' }).key).toBeUndefined();
    expect(withKey(legend, { legend: 'Alt+L' }).key).toBe('Alt+L');
  });

  it('is refused where another action has it, by the name of that action', () => {
    expect(refuseKey('Ctrl+K', run.id, [run, find])).toContain('Find anything');
    expect(refuseKey('J', run.id, [run, find])).toBeUndefined();
    // Its own key again is no conflict, nor is one that its owner has given up.
    expect(refuseKey('L', run.id, [run, find])).toBeUndefined();
    expect(refuseKey('Ctrl+K', run.id, [run, withKey(find, { find: 'F' })])).toBeUndefined();
  });

  it.each(['Enter', 'Tab', '7', '.', 'K', 'Ctrl+C', 'Ctrl+W', 'ArrowUp'])(
    'is refused where drawing, tables or the browser need it: %s',
    (key) => {
      expect(refuseKey(key, run.id, [run])).toContain(key);
    },
  );
});
