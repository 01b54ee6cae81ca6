import type { Pen, Spot } from './pen.ts';

/** Who builds what, the same on every sheet of a set. */
export interface Project {
  readonly name: readonly [string, string];
  readonly address: string;
  readonly client: string;
  readonly firm: string;
  readonly trade: string;
  readonly firmAddress: string;
  readonly drawn: string;
  readonly issues: readonly (readonly [name: string, date: string])[];
  readonly issue: string;
}

export interface TitleBlock {
  readonly project: Project;
  readonly number: string;
  readonly title: string;
  readonly scale: string;
}

/** ARCH D, landscape (ASME Y14.1 gives the architectural series as 24 x 36 in). */
export const SHEET_SIZE = { width: 36 * 72, height: 24 * 72 } as const;
export const MARGIN = 36;
export const BLOCK_WIDTH = 216;

/** The frame and title block down the right side, the same on every sheet of the set. */
export function drawTitleBlock(pen: Pen, { project, number, title, scale }: TitleBlock): void {
  const right = pen.width - MARGIN;
  const bottom = pen.height - MARGIN;
  const left = right - BLOCK_WIDTH;
  const middle = (left + right) / 2;
  pen.path(
    [
      [MARGIN, MARGIN],
      [right, MARGIN],
      [right, bottom],
      [MARGIN, bottom],
    ],
    { closed: true, weight: 'heavy' },
  );
  pen.line([left, MARGIN], [left, bottom], { weight: 'bold' });
  drawFirm(pen, project, [middle, MARGIN + 70]);
  const rule = (y: number): void => pen.line([left, y], [right, y], { weight: 'medium' });
  rule(MARGIN + 170);
  pen.text([left + 14, MARGIN + 192], 'PROJECT', { size: 7, gray: 0.35 });
  pen.text([left + 14, MARGIN + 216], project.name[0], { size: 19, bold: true });
  pen.text([left + 14, MARGIN + 238], project.name[1], { size: 19, bold: true });
  pen.text([left + 14, MARGIN + 258], project.address, { size: 9 });
  rule(MARGIN + 276);
  pen.text([left + 14, MARGIN + 296], 'CLIENT', { size: 7, gray: 0.35 });
  pen.text([left + 14, MARGIN + 312], project.client, { size: 10 });
  rule(MARGIN + 330);
  drawIssues(pen, project, [left, MARGIN + 330], right);
  rule(bottom - 330);
  pen.text([left + 14, bottom - 312], 'SHEET TITLE', { size: 7, gray: 0.35 });
  title
    .split('|')
    .forEach((line, i) => pen.text([left + 14, bottom - 286 + i * 24], line, { size: 19, bold: true }));
  rule(bottom - 216);
  pen.text([left + 14, bottom - 198], 'SCALE', { size: 7, gray: 0.35 });
  pen.text([left + 14, bottom - 178], scale, { size: 12 });
  pen.text([middle + 20, bottom - 198], 'DRAWN', { size: 7, gray: 0.35 });
  pen.text([middle + 20, bottom - 178], project.drawn, { size: 12 });
  rule(bottom - 160);
  pen.text([left + 14, bottom - 142], 'SHEET NUMBER', { size: 7, gray: 0.35 });
  pen.text([middle, bottom - 60], number, { size: 54, bold: true, align: 'center' });
  pen.text([middle, bottom - 20], project.issue, { size: 10, align: 'center', gray: 0.3 });
}

function drawFirm(pen: Pen, { firm, trade, firmAddress }: Project, [x, y]: Spot): void {
  pen.path(
    [
      [x - 46, y + 8],
      [x, y - 34],
      [x + 46, y + 8],
    ],
    { weight: 'bold' },
  );
  pen.path(
    [
      [x - 30, y + 8],
      [x, y - 19],
      [x + 30, y + 8],
    ],
    { weight: 'thin' },
  );
  pen.line([x - 60, y + 8], [x + 60, y + 8], { weight: 'bold' });
  pen.text([x, y + 36], firm, { size: 20, bold: true, align: 'center' });
  pen.text([x, y + 54], trade, { size: 9, align: 'center', gray: 0.2 });
  pen.text([x, y + 72], firmAddress, { size: 8, align: 'center', gray: 0.35 });
}

function drawIssues(pen: Pen, { issues }: Project, [left, top]: Spot, right: number): void {
  pen.text([left + 14, top + 18], 'ISSUE', { size: 7, gray: 0.35 });
  pen.text([right - 14, top + 18], 'DATE', { size: 7, gray: 0.35, align: 'right' });
  issues.forEach(([name, date], i) => {
    pen.text([left + 14, top + 36 + i * 16], name, { size: 9 });
    pen.text([right - 14, top + 36 + i * 16], date, { size: 9, align: 'right' });
  });
}

/** The title under a drawing: a numbered bubble, a name, the scale. */
export function drawViewTitle(pen: Pen, [x, y]: Spot, index: string, name: string, scale: string): void {
  pen.circle([x, y], 15, { weight: 'bold' });
  pen.text([x, y + 5], index, { size: 14, bold: true, align: 'center' });
  pen.line([x + 15, y], [x + 36 + pen.textWidth(name, 18, true), y], { weight: 'bold' });
  pen.text([x + 24, y - 5], name, { size: 18, bold: true });
  pen.text([x + 24, y + 15], scale, { size: 11 });
}

export function drawNorth(pen: Pen, [x, y]: Spot): void {
  pen.circle([x, y], 24, { weight: 'medium' });
  pen.path(
    [
      [x, y - 24],
      [x + 9, y + 14],
      [x, y + 6],
    ],
    { closed: true, fill: 0, weight: 'thin' },
  );
  pen.path(
    [
      [x, y - 24],
      [x - 9, y + 14],
      [x, y + 6],
    ],
    { closed: true, weight: 'thin' },
  );
  pen.text([x, y - 30], 'N', { size: 14, bold: true, align: 'center' });
}

/** Numbered notes in a column; returns nothing, the caller leaves room. */
export function drawNotes(pen: Pen, [x, y]: Spot, title: string, notes: readonly string[]): void {
  pen.text([x, y], title, { size: 15, bold: true });
  notes.forEach((note, i) => {
    pen.text([x, y + 25 + i * 19], `${i + 1}.`, { size: 11.5 });
    pen.text([x + 22, y + 25 + i * 19], note, { size: 11.5 });
  });
}

/** What every plan has: a dashed line where the drawing ends and the next sheet goes on. */
export function drawMatchLine(pen: Pen, from: Spot, to: Spot, words: string): void {
  pen.line(from, to, { weight: 'heavy', dash: [30, 8, 6, 8, 6, 8] });
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const length = Math.hypot(dx, dy);
  for (const [x, y] of [from, to]) {
    const [ux, uy] = [(-dy / length) * 14, (dx / length) * 14];
    pen.line([x - ux, y - uy], [x + ux, y + uy], { weight: 'medium' });
  }
  pen.text([from[0] + 10, from[1] - 14], words, { size: 12, bold: true, align: 'center' });
}
