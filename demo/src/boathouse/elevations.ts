import type { Pen, Spot } from '../drawing/pen.ts';
import { drawViewTitle } from '../drawing/titleBlock.ts';
import { DOORS, type DoorType, WINDOWS, writeFeet } from './building.ts';

/** 3/8 in to the foot. */
const FOOT = 27;
const SCALE = `3/8" = 1'-0"`;

const box = (pen: Pen, [x, y]: Spot, width: number, height: number, fill?: number): void =>
  pen.path(
    [
      [x, y],
      [x + width, y],
      [x + width, y + height],
      [x, y + height],
    ],
    { closed: true, weight: 'medium', ...(fill === undefined ? {} : { fill }) },
  );

/** One of each door and window type on a common floor line, with its sizes. */
export function drawElevations(pen: Pen, at: Spot): void {
  const floor = at[1] + 10 * FOOT;
  const types: readonly DoorType[] = ['single', 'pair', 'overhead'];
  let x = at[0];
  for (const type of types) {
    const door = DOORS.find((each) => each.type === type);
    if (door === undefined) continue;
    const [width, height] = [door.width * FOOT, door.height * FOOT];
    drawDoorFace(pen, type, [x, floor - height], width, height);
    drawSizes(pen, [x, floor], width, height, door.width, door.height);
    pen.text([x + width / 2, floor + 46], type.toUpperCase(), { size: 12, bold: true, align: 'center' });
    x += width + 110;
  }
  for (const tag of [...new Set(WINDOWS.map((each) => each.tag))].sort()) {
    const window = WINDOWS.find((each) => each.tag === tag);
    if (window === undefined) continue;
    const [width, height] = [window.width * FOOT, window.height * FOOT];
    const top = floor - (window.sill + window.height) * FOOT * 0.8;
    box(pen, [x, top], width, height, 0.97);
    box(pen, [x + 5, top + 5], width - 10, height - 10, 0.93);
    if (tag === 'W1') pen.line([x + width / 2, top], [x + width / 2, top + height], { weight: 'medium' });
    drawSizes(pen, [x, top + height], width, height, window.width, window.height);
    pen.text([x + width / 2, floor + 46], tag, { size: 12, bold: true, align: 'center' });
    x += width + 110;
  }
  pen.line([at[0] - 40, floor], [x - 70, floor], { weight: 'bold' });
  drawViewTitle(pen, [at[0] + 14, floor + 92], '1', 'DOOR AND WINDOW TYPES', SCALE);
}

function drawDoorFace(pen: Pen, type: DoorType, [x, y]: Spot, width: number, height: number): void {
  box(pen, [x - 6, y - 6], width + 12, height + 6);
  box(pen, [x, y], width, height, 0.98);
  if (type === 'overhead') {
    for (let panel = 1; panel < 5; panel += 1)
      pen.line([x, y + (height * panel) / 5], [x + width, y + (height * panel) / 5], { weight: 'thin' });
    for (let pane = 0; pane < 4; pane += 1)
      box(pen, [x + 18 + pane * (width / 4), y + height / 5 + 12], width / 4 - 36, height / 5 - 24, 0.9);
    return;
  }
  const leaves = type === 'pair' ? 2 : 1;
  const leaf = width / leaves;
  for (let i = 0; i < leaves; i += 1) {
    const left = x + i * leaf;
    if (i > 0) pen.line([left, y], [left, y + height], { weight: 'medium' });
    box(pen, [left + leaf * 0.3, y + 18], leaf * 0.4, height * 0.32, 0.9);
    pen.circle([i === 0 && leaves === 2 ? left + leaf - 8 : left + 8, y + height * 0.55], 2.5, { fill: 0 });
    pen.line([left + leaf, y], [left, y + height / 2], { weight: 'hair', dash: [5, 4], gray: 0.4 });
    pen.line([left, y + height / 2], [left + leaf, y + height], { weight: 'hair', dash: [5, 4], gray: 0.4 });
  }
}

function drawSizes(pen: Pen, [x, y]: Spot, width: number, height: number, wide: number, high: number): void {
  const tick = ([tx, ty]: Spot): void => pen.line([tx - 4, ty + 4], [tx + 4, ty - 4], { weight: 'medium' });
  pen.line([x, y + 18], [x + width, y + 18], { weight: 'hair' });
  tick([x, y + 18]);
  tick([x + width, y + 18]);
  pen.text([x + width / 2, y + 14], writeFeet(wide), { size: 10, align: 'center' });
  pen.line([x + width + 22, y], [x + width + 22, y - height], { weight: 'hair' });
  tick([x + width + 22, y]);
  tick([x + width + 22, y - height]);
  pen.text([x + width + 18, y - height / 2], writeFeet(high), { size: 10, align: 'center', turn: 1 });
}
