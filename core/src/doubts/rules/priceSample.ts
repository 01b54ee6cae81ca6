import { samplesOfLine } from '../../calculate/samples.ts';
import { settingsOf } from '../../job/job.ts';
import { defineRule } from '../rule.ts';

/** Lines that rest on sample prices or wages: one doubt for all of them, with how many there are. */
export const priceSample = defineRule('price-sample', 'lines', ({ job, figures, lines }) => {
  let [prices, wages] = [0, 0];
  for (const line of lines) {
    const { price, wage } = samplesOfLine(figures, line);
    if (price) prices += 1;
    if (wage) wages += 1;
  }
  if (prices === 0 && wages === 0) return [];
  return [
    { of: 'job', name: settingsOf(job).name, place: { at: 'prices' as const }, facts: { prices, wages } },
  ];
});
