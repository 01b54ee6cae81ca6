import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { point } from '@zest/core/geometry/point';
import { LARGEST_SCALE, SMALLEST_SCALE, fitSheet, panBy, toScreen, toSheet, zoomAbout } from './camera.ts';

const coordinate = fc.double({ min: -5000, max: 5000, noNaN: true });
const camera = fc.record({
  scale: fc.double({ min: SMALLEST_SCALE, max: LARGEST_SCALE, noNaN: true }),
  x: coordinate,
  y: coordinate,
});

describe('the camera', () => {
  it('goes from sheet to screen and back', () => {
    fc.assert(
      fc.property(camera, coordinate, coordinate, (at, x, y) => {
        const back = toSheet(at, toScreen(at, point(x, y)));
        expect(back.x).toBeCloseTo(x, 5);
        expect(back.y).toBeCloseTo(y, 5);
      }),
    );
  });

  it('keeps the place under the pointer while zooming, and its limits', () => {
    fc.assert(
      fc.property(
        camera,
        coordinate,
        coordinate,
        fc.double({ min: 0.01, max: 100, noNaN: true }),
        (at, x, y, factor) => {
          const under = toSheet(at, point(x, y));
          const zoomed = zoomAbout(at, point(x, y), factor);
          expect(toScreen(zoomed, under).x).toBeCloseTo(x, 4);
          expect(zoomed.scale).toBeGreaterThanOrEqual(SMALLEST_SCALE);
          expect(zoomed.scale).toBeLessThanOrEqual(LARGEST_SCALE);
        },
      ),
    );
  });

  it('shows the whole sheet in the middle of the screen', () => {
    const fitted = fitSheet({ width: 2592, height: 1728 }, { width: 892, height: 682 });
    const [from, to] = [toScreen(fitted, point(0, 0)), toScreen(fitted, point(2592, 1728))];
    expect(from.x).toBeCloseTo(16, 6);
    expect(to.x).toBeCloseTo(876, 6);
    expect(from.y + to.y).toBeCloseTo(682, 6);
    expect(panBy(fitted, 5, 6).x).toBe(fitted.x + 5);
  });
});
