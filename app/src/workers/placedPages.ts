import { type Affine, IDENTITY, applyAffine, invertAffine } from '@zest/core/geometry/affine';
import { boundsOf } from '@zest/core/geometry/bounds';
import { clipSegment } from '@zest/core/geometry/clipRing';
import { ringContains } from '@zest/core/geometry/polygon';
import type { LineWork } from '@zest/core/geometry/snap';
import type { Placing, Tone } from '@zest/core/job/records/sheet';
import type { PageText, Tile } from './sheetProtocol.ts';

/** A page drawn into a tile of the sheet it lies on. */
export type DrawPage = (placing: Placing, tile: Tile) => Promise<ImageBitmap>;

export const isAsItIs = ({ matrix }: Placing): boolean => matrix.every((each, i) => each === IDENTITY[i]);

const coversPage = ({ clip, widthPt, heightPt }: Placing): boolean => {
  const { minX, minY, maxX, maxY } = boundsOf(clip);
  return clip.length === 4 && minX <= 0 && minY <= 0 && maxX >= widthPt && maxY >= heightPt;
};

/** The pages of a sheet in one tile, each cut to the part of it that shows. */
export async function renderPlaced(
  placings: readonly Placing[],
  tone: Tone | undefined,
  tile: Tile,
  draw: DrawPage,
): Promise<ImageBitmap> {
  const [only] = placings;
  if (placings.length === 1 && only !== undefined && tone === undefined && isAsItIs(only) && coversPage(only))
    return draw(only, tile);
  const canvas = new OffscreenCanvas(tile.width, tile.height);
  const context = canvas.getContext('2d', { willReadFrequently: tone !== undefined });
  if (context === null) throw new Error('renderPlaced: no canvas to draw on');
  context.fillStyle = '#ffffff';
  context.fillRect(0, 0, tile.width, tile.height);
  for (const placing of placings) {
    if (!meetsTile(placing, tile)) continue;
    const bitmap = await draw(placing, tile);
    context.save();
    context.beginPath();
    for (const { x, y } of placing.clip) context.lineTo(x * tile.scale - tile.x, y * tile.scale - tile.y);
    context.clip();
    context.drawImage(bitmap, 0, 0);
    context.restore();
    bitmap.close();
  }
  if (tone !== undefined) applyTone(context, tone);
  return takeBitmap(canvas);
}

/** The picture of a canvas, and none of its pixels left behind. */
export function takeBitmap(canvas: OffscreenCanvas): ImageBitmap {
  const bitmap = canvas.transferToImageBitmap();
  canvas.width = 0;
  canvas.height = 0;
  return bitmap;
}

function meetsTile({ clip }: Placing, { scale, x, y, width, height }: Tile): boolean {
  const box = boundsOf(clip);
  return (
    box.minX * scale < x + width &&
    box.maxX * scale > x &&
    box.minY * scale < y + height &&
    box.maxY * scale > y
  );
}

/** Darker or lighter ink by a power curve, which keeps paper white and black black; then the negative. */
function applyTone(context: OffscreenCanvasRenderingContext2D, { ink, invert }: Tone): void {
  const image = context.getImageData(0, 0, context.canvas.width, context.canvas.height);
  const curve = Uint8ClampedArray.from({ length: 256 }, (_, value) => {
    const toned = 255 * (value / 255) ** ink;
    return invert ? 255 - toned : toned;
  });
  const { data } = image;
  for (let i = 0; i < data.length; i += 4) {
    data[i] = curve[data[i] as number] as number;
    data[i + 1] = curve[data[i + 1] as number] as number;
    data[i + 2] = curve[data[i + 2] as number] as number;
  }
  context.putImageData(image, 0, 0);
}

/** The part of a page a tile of its sheet shows, as shares of the page's sides. */
export function shareOfPage({ matrix, widthPt, heightPt }: Placing, { scale, x, y, width, height }: Tile) {
  const back = invertAffine(matrix);
  const corners = [
    { x, y },
    { x: x + width, y },
    { x: x + width, y: y + height },
    { x, y: y + height },
  ].map((at) => applyAffine(back, { x: at.x / scale, y: at.y / scale }));
  const { minX, minY, maxX, maxY } = boundsOf(corners);
  return { left: minX / widthPt, right: maxX / widthPt, top: minY / heightPt, bottom: maxY / heightPt };
}

/** The page's own pixels to a tile's: where a page lies, at the tile's scale, from the tile's corner. */
export const matrixInTile = ({ matrix: [a, b, c, d, e, f] }: Placing, { scale, x, y }: Tile): Affine => [
  a,
  b,
  c,
  d,
  e * scale - x,
  f * scale - y,
];

/** Line work of a page as it lies on the sheet, cut to the part that shows. */
export function placeLines(work: LineWork, placing: Placing): LineWork {
  if (isAsItIs(placing) && coversPage(placing)) return work;
  const { clip } = placing;
  const kept: number[] = [];
  const bends: number[] = [];
  for (let i = 0; i < work.bends.length; i += 1) {
    const [ax, ay, bx, by] = work.lines.subarray(4 * i, 4 * i + 4) as unknown as [
      number,
      number,
      number,
      number,
    ];
    const piece = clipSegment(
      applyAffine(placing.matrix, { x: ax, y: ay }),
      applyAffine(placing.matrix, { x: bx, y: by }),
      clip,
    );
    if (piece === undefined) continue;
    kept.push(piece[0].x, piece[0].y, piece[1].x, piece[1].y);
    bends.push(work.bends[i] as number);
  }
  return { lines: Float32Array.from(kept), bends: Uint8Array.from(bends) };
}

/** The line work of all pages that lie on a sheet. */
export function joinLines(parts: readonly LineWork[]): LineWork {
  const [first] = parts;
  if (parts.length === 1 && first !== undefined) return first;
  const all = {
    lines: new Float32Array(parts.reduce((sum, { lines }) => sum + lines.length, 0)),
    bends: new Uint8Array(parts.reduce((sum, { bends }) => sum + bends.length, 0)),
  };
  let at = 0;
  for (const { lines, bends } of parts) {
    all.lines.set(lines, 4 * at);
    all.bends.set(bends, at);
    at += bends.length;
  }
  return all;
}

export function placeTexts(texts: readonly PageText[], placing: Placing): readonly PageText[] {
  const { matrix, clip } = placing;
  const factor = Math.hypot(matrix[0], matrix[1]);
  return texts.flatMap((text) => {
    const at = applyAffine(matrix, text);
    if (!ringContains(clip, at)) return [];
    return [{ ...text, ...at, width: text.width * factor, height: text.height * factor }];
  });
}
