import { describe, expect, it } from '@jest/globals';
import { point } from '@zest/core/geometry/point';
import { traceGlyph } from '../../theme/glyphs.ts';
import { SvgTrace } from './svgTrace.ts';

describe('paths for the PDF of a sheet', () => {
  it('are open chains and closed rings', () => {
    const trace = new SvgTrace();
    trace.chain([point(0, 0), point(10, 0)]);
    trace.ring([point(1, 1), point(2, 1), point(2, 2)]);
    expect(trace.path).toBe('M0.000 0.000L10.000 0.000M1.000 1.000L2.000 1.000L2.000 2.000Z');
  });

  it('have the signs of counts, turned about their place', () => {
    const square = new SvgTrace();
    traceGlyph(square, { x: 100, y: 100, r: 10, turn: Math.PI / 2 }, 'triangle');
    // The tip that points up points right after a quarter turn clockwise.
    expect(square.path).toMatch(/^M110\.000 100\.000/);
    const disc = new SvgTrace();
    traceGlyph(disc, { x: 0, y: 0, r: 5, turn: 0 }, 'disc');
    expect(disc.path).toContain('A5.000 5.000');
  });
});
