import { describe, expect, it } from '@jest/globals';
import { dayAgo, longDay, momentOf } from './dates.ts';

describe('a day in a document', () => {
  it('is written as its language writes it', () => {
    expect(longDay('2026-11-24', 'en-US')).toBe('November 24, 2026');
    expect(longDay('2026-11-24', 'en-GB')).toBe('24 November 2026');
  });

  it('stays as it is where it is no date', () => {
    expect(longDay('', 'en-US')).toBe('');
    expect(longDay('2026-13-45', 'en-US')).toBe('2026-13-45');
  });
});

describe('how long ago something was', () => {
  const now = new Date(2026, 10, 27, 9).getTime();

  it('is said in words for the last days, by the calendar and not by hours', () => {
    expect(dayAgo(new Date(2026, 10, 27, 0, 1).getTime(), now)).toBe('today');
    expect(dayAgo(new Date(2026, 10, 26, 23, 59).getTime(), now)).toBe('yesterday');
    expect(dayAgo(new Date(2026, 10, 22, 12).getTime(), now)).toBe('5 days ago');
  });

  it('is a date before that, and for what lies ahead', () => {
    expect(dayAgo(new Date(2026, 9, 3).getTime(), now, 'en-GB')).toBe('3 Oct 2026');
    expect(dayAgo(new Date(2026, 10, 29).getTime(), now, 'en-US')).toBe('Nov 29, 2026');
  });
});

it('writes a moment with its time of day', () => {
  expect(momentOf(new Date(2026, 10, 27, 17, 5).getTime(), 'en-GB')).toMatch(/27 Nov 2026,? (at )?17:05/);
});
