import { describe, expect, it } from '@jest/globals';
import { dayOf } from './days.ts';

// The tests run west of Greenwich (jest.config.mjs), where the evening is tomorrow in universal time.
describe('the day of a moment', () => {
  it('is the one on the wall where the estimator is, in the evening too', () => {
    const evening = Date.UTC(2026, 10, 26, 1, 15);
    expect(dayOf(evening)).toBe('2026-11-25');
  });
});
