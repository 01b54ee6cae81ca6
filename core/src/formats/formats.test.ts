import { describe, expect, it } from '@jest/globals';
import { FORMATS, acceptOf, bytesTakenBy, formatsTakenBy } from './formats.ts';

describe('the kinds of file', () => {
  it('are each known by one name, and those that are taken in by how much of them', () => {
    const ids = FORMATS.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    for (const { id, takenBy, bytes } of FORMATS)
      expect([id, takenBy === undefined || (bytes ?? 0) > 0]).toEqual([id, true]);
    for (const { extensions } of FORMATS)
      for (const extension of extensions) expect(extension).toMatch(/^\.[a-z]+$/);
  });

  it('are offered where they are taken in, and nowhere else', () => {
    expect(acceptOf('drawings')).toContain('.pdf');
    expect(acceptOf('drawings')).toContain('image/tiff');
    expect(acceptOf('drawings')).not.toContain('.csv');
    expect(formatsTakenBy('job').map(({ id }) => id)).toEqual(['zestjob']);
    expect(bytesTakenBy('job')).toBe(1024 ** 3);
    expect(bytesTakenBy('table')).toBeLessThan(bytesTakenBy('prices'));
  });
});
