import type { Pen, Spot } from './pen.ts';

export interface TableColumn {
  readonly title: string;
  readonly width: number;
  readonly align?: 'left' | 'center';
}

const ROW = 25;
const HEAD = 31;
/** Column widths are given for 9 point text; schedules are lettered at 12 so that they read on a screen. */
const LETTERING = 4 / 3;

/** Draws a ruled schedule with its title; returns the y below it. */
export function drawTable(
  pen: Pen,
  [x, y]: Spot,
  title: string,
  given: readonly TableColumn[],
  rows: readonly (readonly string[])[],
): number {
  const columns = given.map((column) => ({ ...column, width: column.width * LETTERING }));
  const width = columns.reduce((sum, column) => sum + column.width, 0);
  pen.text([x, y - 8], title, { size: 18, bold: true });
  const bottom = y + HEAD + rows.length * ROW;
  pen.path(
    [
      [x, y],
      [x + width, y],
      [x + width, y + HEAD],
      [x, y + HEAD],
    ],
    { closed: true, fill: 0.92, weight: 'medium' },
  );
  pen.path(
    [
      [x, y],
      [x + width, y],
      [x + width, bottom],
      [x, bottom],
    ],
    { closed: true, weight: 'bold' },
  );
  let left = x;
  for (const [index, column] of columns.entries()) {
    if (index > 0) pen.line([left, y], [left, bottom], { weight: 'thin', gray: 0.3 });
    const center = column.align === 'center';
    const textX = center ? left + column.width / 2 : left + 8;
    const look = { align: center ? 'center' : 'left' } as const;
    pen.text([textX, y + 20], column.title.toUpperCase(), { ...look, size: 10, bold: true });
    rows.forEach((row, i) => {
      pen.text([textX, y + HEAD + i * ROW + 17], row[index] ?? '', { ...look, size: 12 });
    });
    left += column.width;
  }
  rows.forEach((_, i) => {
    if (i > 0)
      pen.line([x, y + HEAD + i * ROW], [x + width, y + HEAD + i * ROW], { weight: 'hair', gray: 0.4 });
  });
  return bottom;
}
