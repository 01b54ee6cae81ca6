import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { deflateSync } from 'node:zlib';
import { PDFDocument, PDFName, PDFRawStream, StandardFonts } from '@cantoo/pdf-lib';
import { createChance } from '@zest/core/testing/job';
import { SHEET_POINTS } from './largeJob.ts';

const FOLDER = '.cache/bench';

/** Line work as dense as a building plan, flate-compressed. */
function denseContent(seed: number, segments: number): Uint8Array {
  const chance = createChance(seed);
  const lines: string[] = ['0.5 w'];
  for (let i = 0; i < segments; i += 1) {
    const [x, y] = [chance() * SHEET_POINTS.width, chance() * SHEET_POINTS.height];
    const [dx, dy] = chance() < 0.5 ? [chance() * 60, 0] : [0, chance() * 60];
    lines.push(`${x.toFixed(1)} ${y.toFixed(1)} m ${(x + dx).toFixed(1)} ${(y + dy).toFixed(1)} l S`);
  }
  lines.push('BT /F1 9 Tf');
  for (let i = 0; i < 300; i += 1)
    lines.push(`1 0 0 1 ${(chance() * 2300).toFixed(0)} ${(chance() * 1700).toFixed(0)} Tm (Room ${i}) Tj`);
  lines.push(`ET BT /F1 40 Tf 1 0 0 1 2380 60 Tm (B-${seed}) Tj ET`);
  return deflateSync(Buffer.from(lines.join('\n'), 'latin1'));
}

/** A set of dense sheets, kept between runs: drawing 200 of them takes longer than measuring. */
export async function drawingSet(pages: number, segments: number): Promise<string> {
  const path = `${FOLDER}/set-${pages}-${segments}.pdf`;
  if (existsSync(path)) return path;
  const document = await PDFDocument.create();
  const font = await document.embedFont(StandardFonts.Helvetica);
  for (let i = 1; i <= pages; i += 1) {
    const page = document.addPage([SHEET_POINTS.width, SHEET_POINTS.height]);
    page.node.setFontDictionary(PDFName.of('F1'), font.ref);
    const dictionary = document.context.obj({ Filter: 'FlateDecode' });
    const stream = PDFRawStream.of(dictionary, denseContent(i, segments));
    page.node.set(PDFName.of('Contents'), document.context.register(stream));
  }
  mkdirSync(FOLDER, { recursive: true });
  writeFileSync(path, await document.save());
  return path;
}

export const readBytes = (path: string): Uint8Array => new Uint8Array(readFileSync(path));
