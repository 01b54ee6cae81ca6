import { describe, expect, it } from '@jest/globals';
import { findPaperSlip } from './paper.ts';

describe('pages and paper', () => {
  it('agree on standard sheets, upright or across', () => {
    expect(findPaperSlip(2592, 1728)).toBeUndefined();
    // A1 is 594 by 841 mm (ISO 216): 1684 by 2384 points.
    expect(findPaperSlip(1684, 2384)).toBeUndefined();
  });

  it('disagree by a round factor where the size was written in another unit', () => {
    // ARCH D in millimeters, 609.6 by 914.4, taken for points.
    expect(findPaperSlip(914, 610)).toMatchObject({ paper: 'ARCH D' });
    expect(findPaperSlip(914, 610)?.factor).toBeCloseTo(25.4 / 72, 6);
    // ARCH D in inches taken for feet, and ten times too large.
    expect(findPaperSlip(2592 / 12, 1728 / 12)).toEqual({ paper: 'ARCH D', factor: 1 / 12 });
    expect(findPaperSlip(25_920, 17_280)).toEqual({ paper: 'ARCH D', factor: 10 });
  });

  it('say nothing of a photo or a cut of a sheet', () => {
    expect(findPaperSlip(1920, 1080)).toBeUndefined();
    expect(findPaperSlip(2000, 1728)).toBeUndefined();
  });
});
