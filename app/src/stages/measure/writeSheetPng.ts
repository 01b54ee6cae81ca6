import type { Sheet } from '@zest/core/job/records/sheet';
import type { Stores } from '../../stores/context.tsx';
import { writeSheetPdf } from './writeSheetPdf.ts';

/** Dots an inch of the picture, less where the sheet would be too large for one. */
const DPI = 150;
const LONGEST_PX = 12_000;

/** The sheet with marks, labels and legend as a picture: the very page that goes out as PDF. */
export async function writeSheetPng(stores: Stores, sheet: Sheet): Promise<Blob> {
  const fileId = stores.services.makeId('file');
  const { sheets } = stores.services;
  const pdf = await writeSheetPdf(stores, sheet);
  const opened = await sheets.open(fileId, await pdf.arrayBuffer());
  if (!opened.ok) throw new Error('writeSheetPng: the page that was written cannot be read');
  try {
    const { widthPt, heightPt } = sheet;
    const scale = Math.min(DPI / 72, LONGEST_PX / Math.max(widthPt, heightPt));
    const clip = [
      { x: 0, y: 0 },
      { x: widthPt, y: 0 },
      { x: widthPt, y: heightPt },
      { x: 0, y: heightPt },
    ];
    const bitmap = await sheets.render(
      {
        placings: [{ fileId, pageIndex: 0, widthPt, heightPt, matrix: [1, 0, 0, 1, 0, 0], clip }],
        tone: undefined,
      },
      { scale, x: 0, y: 0, width: Math.round(widthPt * scale), height: Math.round(heightPt * scale) },
    );
    const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
    canvas.getContext('bitmaprenderer')?.transferFromImageBitmap(bitmap);
    return await canvas.convertToBlob({ type: 'image/png' });
  } finally {
    await sheets.close(fileId);
  }
}
