import { type Command, put } from '../job/change.ts';
import { settingsOf } from '../job/job.ts';
import type { Job } from '../job/job.ts';
import type { JobRecord } from '../job/record.ts';
import type { Settings } from '../job/records/settings.ts';
import { inMetric } from './metricBook.ts';
import { type BookItem, CRAFTS, FURTHER_CRAFTS, PRICE_BOOK } from './priceBook.ts';
import { hasSamples, samplePrice, sampleWage } from './samples.ts';
import { type Say, asWritten, sayItems } from './texts.ts';
import { tradeLibrary } from './tradeLibrary.ts';

type Measuring = Pick<Settings, 'unitSystem' | 'currency'>;

/** Every sample of a unit system by its code. */
function samplesOf({ unitSystem }: Measuring, say: Say): ReadonlyMap<string, BookItem> {
  const book = unitSystem === 'us' ? PRICE_BOOK : PRICE_BOOK.map(inMetric);
  const ofTrades = tradeLibrary(unitSystem, say).flatMap(({ items }) => items);
  return new Map([...ofTrades, ...sayItems(book, say)].map((item) => [item.code, item]));
}

/** How many figures of money in a job were set by somebody: samples are not among them. */
export function countOwnMoney(job: Job): number {
  const hasCost = (record: object): boolean =>
    (['material', 'equipment', 'subcontract', 'other'] as const).some((cost) => {
      const figure = (record as Readonly<Record<string, unknown>>)[cost];
      return figure !== undefined && figure !== '' && Number(figure) !== 0;
    });
  const items = [...job.item.values()].filter((item) => item.sample !== true && hasCost(item));
  const wages = [...job.craft.values()].filter(({ sample, wage }) => sample !== true && Number(wage) !== 0);
  const lines = [...job.line.values()].filter(
    ({ costs, typedCost }) => costs !== undefined || typedCost !== null,
  );
  const typed = [...job.override.values()].filter(({ costs }) => costs !== undefined);
  const sums = [...job.markup.values()].filter((markup) => markup.as === 'sum');
  return items.length + wages.length + lines.length + typed.length + sums.length + job.quote.size;
}

/**
 * Measures a job in other units or states it in another currency. Samples follow in the units of the job, and lose
 * their prices where none are made up in the currency: a figure of one is never passed off as one of another. What somebody
 * set stays as it is.
 */
export const changeMeasuring =
  (next: Measuring, say: Say = asWritten): Command =>
  (job) => {
    const settings = { ...settingsOf(job), ...next };
    const isPriced = settings.noSamples !== true && hasSamples(next);
    const samples = samplesOf(next, say);
    const wages = new Map(
      [...CRAFTS, ...FURTHER_CRAFTS].flatMap(([, name, wage]) => [
        [name, wage],
        [say(name), wage],
      ]),
    );
    const changed: JobRecord[] = [settings];
    for (const item of job.item.values()) {
      const sample = samples.get(item.code);
      if (item.sample !== true || sample === undefined) continue;
      const { craft: _key, ...content } = sample;
      const { sample: _shipped, ...rest } = item;
      changed.push({ ...rest, ...samplePrice(content, isPriced), group: item.group });
    }
    for (const craft of job.craft.values()) {
      if (craft.sample !== true) continue;
      const { sample: _shipped, ...rest } = craft;
      changed.push({ ...rest, ...sampleWage(wages.get(craft.name) ?? '', isPriced) });
    }
    return put(...changed)(job);
  };
