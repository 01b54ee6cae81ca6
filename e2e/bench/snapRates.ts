import { addRates, snapRate } from '@zest/demo/strangers/rates';
import { strangerSheets } from '@zest/demo/strangers/sheets';
import { writeStranger } from '@zest/demo/strangers/write';
import { createSnapIndex, packLines } from '@zest/core/geometry/snap';
import { readLineWork } from '../../app/src/workers/strangers/readPage.ts';
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
