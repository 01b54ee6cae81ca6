import { addRates, snapRate } from '@zest/demo/strangers/rates';
import { writeStranger } from '@zest/demo/strangers/write';
import { createSnapIndex, packLines } from '@zest/core/geometry/snap';
import { A1, strangerSheets } from '@zest/demo/strangers/sheets';
import { titledSheets } from '@zest/demo/strangers/titleBlocks';
import { readPrintedScales } from '@zest/core/takeoff/printedScale';
import { readFirstPage, readLineWork } from '../../app/src/workers/strangers/readPage.ts';
import type { BenchFigure } from './figures.ts';

/** How many inner corners of strangers' rooms are found within 0.2 mm of paper, and what went astray. */
export async function measureSnapRates(): Promise<readonly BenchFigure[]> {
  const rates = [];
  for (const sheet of strangerSheets()) {
    const lines = await readLineWork(await writeStranger(sheet));
    rates.push(snapRate(createSnapIndex(packLines(lines)), sheet));
  }
  const { asked, found, astray, caught, floor } = addRates(rates);
  return [
    { name: 'snap.found', value: (100 * found) / asked, unit: '%' },
    { name: 'snap.astray', value: (100 * astray) / asked, unit: '%' },
    { name: 'snap.caught', value: (100 * caught) / floor, unit: '%' },
  ];
}

/** Of how many strangers' title blocks the scale is proposed as a person reads it; every scale of a view with it. */
export async function measureScaleRate(): Promise<readonly BenchFigure[]> {
  const sheets = titledSheets();
  let found = 0;
  for (const { content, ratio, ratios } of sheets) {
    const { texts, ...page } = await readFirstPage(await writeStranger({ ...A1, content, hidden: '' }));
    const { sheet, all } = readPrintedScales(texts, { ...page, paper: 'A1' });
    const offered = new Set(all.map((each) => Math.round(each.ratio)));
    const isRight = (sheet && Math.round(sheet.ratio)) === ratio;
    if (isRight && ratios.every((each) => offered.has(each))) found += 1;
  }
  return [{ name: 'scale.found', value: (100 * found) / sheets.length, unit: '%' }];
}
