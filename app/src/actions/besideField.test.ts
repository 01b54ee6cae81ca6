/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { isBesideField, watchPointer } from './besideField.ts';

describe('a letter that is typed beside a field', () => {
  let stop: () => void;
  beforeEach(() => {
    document.body.innerHTML =
      '<main id="desk"></main><aside><label id="label">Height</label><input id="field"><button id="scope">Walls</button></aside>';
    stop = watchPointer();
  });
  afterEach(() => stop());
  const press = (id: string): void => {
    const target = document.getElementById(id);
    target?.dispatchEvent(new Event('pointerdown', { bubbles: true }));
  };

  it('is nobody’s, until the pointer is on the sheet or on a scope again', () => {
    press('label');
    expect(isBesideField()).toBe(true);
    press('desk');
    expect(isBesideField()).toBe(false);
    press('label');
    press('scope');
    expect(isBesideField()).toBe(false);
  });

  it('belongs to the field while that has the focus', () => {
    press('label');
    document.getElementById('field')?.focus();
    expect(isBesideField()).toBe(false);
  });
});
