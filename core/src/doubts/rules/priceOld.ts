import { settingsOf } from '../../job/job.ts';
import { aboutLine } from '../aboutLine.ts';
import { daysBetween } from '../context.ts';
import { defineRule } from '../rule.ts';

/** How many days a price holds where nobody says otherwise. */
export const USUAL_PRICE_DAYS = 180;

/** Items whose price is older than prices are trusted; each is asked about once, not for each line. */
export const priceOld = defineRule('price-old', 'lines', (context) => {
  const { priceDays = USUAL_PRICE_DAYS } = settingsOf(context.job);
  const asked = new Set<string>();
  return context.lines.flatMap((line) => {
    const item = context.pricedBy(line);
    if (item === undefined || asked.has(item.code)) return [];
    asked.add(item.code);
    const days = daysBetween(item.date, context.today);
    if (days === undefined || days <= priceDays) return [];
    const found = aboutLine(context, line, { date: item.date, days });
    return [{ ...found, of: item.id, name: `${item.code} ${item.description}` }];
  });
});
