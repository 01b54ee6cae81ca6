/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { useState } from 'react';
import { type TestPage, openTestPage } from '../testing/page.ts';
import { CommitInput } from './CommitInput.tsx';

let page: TestPage;
let taken: string[];

/** Takes what has letters, and says what is wrong with anything else. */
function Field() {
  const [value, setValue] = useState('Carpenter');
  return (
    <CommitInput
      label="Name"
      value={value}
      onCommit={(text) => {
        taken.push(text);
        if (!/[a-z]/i.test(text)) return 'A name has letters.';
        setValue(text);
        return undefined;
      }}
    />
  );
}

beforeEach(async () => {
  page = openTestPage();
  taken = [];
  await page.show(<Field />);
  await page.focus();
});
afterEach(() => page.end());

describe('a field that is taken when one is done with it', () => {
  it('takes its text on Enter, once', async () => {
    await page.type('Mason');
    expect(taken).toEqual([]);
    await page.press('Enter');
    await page.leave();
    expect(taken).toEqual(['Mason']);
    expect(page.field().value).toBe('Mason');
  });

  it('takes its text when it is left', async () => {
    await page.type('Roofer');
    await page.leave();
    expect(taken).toEqual(['Roofer']);
  });

  it('is put back by Escape, and takes nothing where nothing changed', async () => {
    await page.type('Roof');
    await page.press('Escape');
    expect(page.field().value).toBe('Carpenter');
    await page.type('Carpenter');
    await page.leave();
    expect(taken).toEqual([]);
  });

  it('keeps what was refused as it was typed, with the reason', async () => {
    await page.type('123');
    await page.press('Enter');
    expect(page.texts('[role=alert]')).toEqual(['A name has letters.']);
    expect(page.field().value).toBe('123');
    expect(page.field().getAttribute('aria-invalid')).toBe('true');
    await page.type('Crew 123');
    await page.press('Enter');
    expect(page.texts('[role=alert]')).toEqual([]);
    expect(page.field().value).toBe('Crew 123');
  });

  it('keeps its keys to itself: they do nothing on the page around it', async () => {
    let heard = 0;
    page.host.addEventListener('keydown', ({ key }) => {
      if (key === 'v') heard += 1;
    });
    let outside = 0;
    await page.show(
      <div onKeyDown={() => (outside += 1)}>
        <Field />
      </div>,
    );
    await page.press('v');
    expect(outside).toBe(0);
    expect(heard).toBe(1);
  });
});
