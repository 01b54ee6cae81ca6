import { samplesOfPriced } from '../../calculate/samples.ts';
import { type Job, settingsOf } from '../../job/job.ts';
import { remember } from '../../job/remember.ts';
import { defineRule } from '../rule.ts';

const anySampleItem = remember((items: Job['item']) =>
  [...items.values()].some(({ sample }) => sample === true),
);
const hasSamples = (job: Job): boolean =>
  anySampleItem(job.item) || [...job.craft.values()].some(({ sample }) => sample === true);

/** Lines that rest on sample prices or wages: one doubt for all of them, with how many there are. */
export const priceSample = defineRule('price-sample', 'lines', ({ job, figures, lines, priced }) => {
  let [prices, wages] = [0, 0];
  // Without samples in the book no line rests on one.
  if (!hasSamples(job)) return [];
  for (const line of lines) {
    const { price, wage } = samplesOfPriced(figures, priced(line));
    if (price) prices += 1;
    if (wage) wages += 1;
  }
  if (prices === 0 && wages === 0) return [];
  return [
    { of: 'job', name: settingsOf(job).name, place: { at: 'prices' as const }, facts: { prices, wages } },
  ];
});
