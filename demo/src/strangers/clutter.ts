import { createChance } from '@zest/core/testing/job';
import { MM, type Plan, type Spot } from './plan.ts';
import { type Content, bandOf, boxOf, lineOf } from './walls.ts';

const LONG = 849 * MM;

/** A diagonal hatch in the walls, its lines far longer than the clip that shows them. */
export const clippedHatch = ({ pieces, thickness, box }: Plan): Content =>
  pieces
    .filter((_, i) => i % 3 === 0)
    .map((piece) => {
      const [min, max] = bandOf(piece, thickness);
      const lines: Content[] = [];
      for (let x = box.minX - LONG / 3; x < box.maxX; x += 9 * MM)
        lines.push(lineOf([x, box.minY - 60], [x + LONG / Math.SQRT2, box.minY - 60 + LONG / Math.SQRT2]));
      for (let x = min[0] - (max[1] - min[1]); x < max[0]; x += 1.2 * MM)
        lines.push(lineOf([x, min[1]], [x + max[1] - min[1], max[1]]));
      return `q ${boxOf(min, max)} W n 0.18 w 0.4 G ${lines.join(' ')} S Q`;
    })
    .join('\n');

/** Dashed centers over the grid, one half by the pen's dashes and one as single strokes. */
export function dashedCenters({ xs, ys, box }: Plan): Content {
  const over = 9 * MM;
  const across = ys.map((y) => lineOf([box.minX - over, y], [box.maxX + over, y]));
  const single: Content[] = [];
  for (const x of xs)
    for (let y = box.minY - over; y < box.maxY + over; y += 16)
      single.push(lineOf([x, y], [x, y + 9]), lineOf([x, y + 11.5], [x, y + 13.5]));
  return `q 0.18 w 0.5 G [9 2 2 2] 0 d ${across.join(' ')} S [] 0 d ${single.map((each) => `${each} S`).join('\n')} Q`;
}

/** Door leaves with their swings. */
export const doorSwings = ({ doors }: Plan): Content =>
  doors
    .map(({ hinge: [hx, hy], strike: [sx, sy] }) => {
      const [dx, dy] = [sx - hx, sy - hy];
      const [lx, ly] = [hx - dy, hy + dx];
      const k = 0.5523;
      const arc = [lx + dx * k, ly + dy * k, sx - dy * k, sy + dx * k, sx, sy].map((each) => each.toFixed(3));
      return `0.35 w 0.3 G ${lineOf([hx, hy], [lx, ly])} S ${lx.toFixed(3)} ${ly.toFixed(3)} m ${arc.join(' ')} c S`;
    })
    .join('\n');

/** Dimension lines with their ticks, above and to the left. */
export function dimensions({ xs, ys, box }: Plan): Content {
  const [y, x] = [box.minY - 8 * MM, box.minX - 8 * MM];
  const tick = ([a, b]: Spot): Content => lineOf([a - 3, b + 3], [a + 3, b - 3]);
  return `0.18 w 0 G ${lineOf([xs[0] as number, y], [xs.at(-1) as number, y])} ${lineOf([x, ys[0] as number], [x, ys.at(-1) as number])}
    ${xs.map((each) => `${tick([each, y])} ${lineOf([each, y - 8], [each, y + 8])}`).join(' ')}
    ${ys.map((each) => `${tick([x, each])} ${lineOf([x - 8, each], [x + 8, each])}`).join(' ')} S`;
}

/** Letters as boxes and curves, their corner at 0, 0, one unit high with y downward. */
const LETTERS: readonly Content[] = [
  // E, L, T and I of straight pieces, O and D with curves.
  '0 0 .6 .15 re 0 0 .15 1 re 0 .42 .5 .15 re 0 .85 .6 .15 re',
  '0 0 .15 1 re 0 .85 .6 .15 re',
  '0 0 .7 .15 re .27 0 .15 1 re',
  '0 0 .15 1 re',
  '.35 0 m .7 0 .7 1 .35 1 c 0 1 0 0 .35 0 c .35 .15 m .15 .15 .15 .85 .35 .85 c .55 .85 .55 .15 .35 .15 c',
  '0 0 m .7 0 .7 1 0 1 c 0 .85 l .5 .8 .5 .2 0 .15 c',
];

/** Words whose letters are filled outlines, as a program writes them that ships no fonts. */
export function outlinedWords(spots: readonly Spot[], seed: number, height = 7): Content {
  const chance = createChance(seed);
  return spots
    .map(([x, y]) => {
      const letters = Array.from({ length: 8 }, (_, i) => {
        const letter = LETTERS[Math.floor(chance() * LETTERS.length)] as Content;
        return `q ${height} 0 0 ${height} ${(x + i * height * 0.85).toFixed(3)} ${y.toFixed(3)} cm ${letter} f Q`;
      });
      return `0 g ${letters.join('\n')}`;
    })
    .join('\n');
}

/** Tables, beds and basins, well off the corners. */
export const furniture = ({ rooms }: Plan): Content =>
  rooms
    .filter((_, i) => i % 3 === 1)
    .map(({ min, max }) => {
      const [cx, cy] = [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2];
      return `0.25 w 0.3 G ${boxOf([cx - 14, cy - 8], [cx + 14, cy + 8])} S ${boxOf([cx - 5, cy - 14], [cx + 5, cy - 10])} S`;
    })
    .join('\n');

/** Lines that white patches in every room hide: what is below must not draw the pen. */
export function patched({ rooms, box }: Plan): Content {
  const lines: Content[] = [];
  for (let y = box.minY; y < box.maxY; y += 5 * MM) lines.push(lineOf([box.minX, y], [box.maxX, y]));
  for (let x = box.minX; x < box.maxX; x += 5 * MM) lines.push(lineOf([x, box.minY], [x, box.maxY]));
  return `0.25 w 0.6 G ${lines.join(' ')} S 1 g ${rooms.map(({ min, max }) => `${boxOf(min, max)} f`).join('\n')}`;
}

/** Long lines over the whole sheet, such as boundaries and sight lines. */
export function longDiagonals(width: number, height: number): Content {
  const lines: Content[] = [];
  for (let i = 0; i < 90; i += 1)
    lines.push(lineOf([0, (i * height) / 90], [width, (i * height) / 90 + height * 0.6]));
  return `0.18 w 0.7 G ${lines.join(' ')} S`;
}
