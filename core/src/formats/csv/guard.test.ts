import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { guarded, unguarded } from './guard.ts';

describe('text in a CSV', () => {
  it.each(['=2+5', '+1-800', '@sum', '-rf', '\t=1', '\r=1', "'=1", '=cmd|x'])(
    'that begins as %j cannot run',
    (text) => {
      expect(guarded(text)).toBe(`'${text}`);
      expect(unguarded(guarded(text))).toBe(text);
    },
  );

  it.each(['-5', '-1,250.50', '−3', '12', 'Door', '', '-1e3'])('that is %j stays as it is', (text) => {
    expect(guarded(text)).toBe(text);
  });

  it('comes back as it was, whatever it is', () => {
    const text = fc.oneof(
      fc.string(),
      fc.string().map((tail) => `=${tail}`),
      fc.string().map((tail) => `'-${tail}`),
    );
    fc.assert(fc.property(text, (each) => expect(unguarded(guarded(each))).toBe(each)));
  });
});
