import type { Figures } from '../calculate/figures.ts';
import { bidTotal } from '../calculate/totals/bidTotal.ts';
import { settingsOf } from '../job/job.ts';
import { listUnpriced } from './unpriced.ts';

/** The way from drawings to a bid, in working order. */
export const STEPS = ['sheets', 'scale', 'scopes', 'measure', 'price', 'check', 'bid'] as const;
export type StepName = (typeof STEPS)[number];

export interface NextStep {
  readonly name: StepName;
  readonly isDone: boolean;
  /** What is done of it, or left: sheets, sheets with a scale, scopes, scopes measured, lines without a price, doubts. */
  readonly count: number;
}

/** How far a job is; `doubts` are those that second look still has open, undefined while it was not taken. */
export function whatNext(figures: Figures, doubts: number | undefined): readonly NextStep[] {
  const { job } = figures;
  const sheets = [...job.sheet.values()];
  const scaled = sheets.filter(({ scale }) => scale !== null).length;
  const measured = [...job.scope.values()].filter(({ id }) => figures.isMeasured(id)).length;
  const unpriced = listUnpriced(figures).length;
  const total = bidTotal(figures);
  const isPriced = total > 0 && unpriced === 0;
  const { bidDate, client } = settingsOf(job);
  const done: Readonly<Record<StepName, readonly [isDone: boolean, count: number]>> = {
    sheets: [sheets.length > 0, sheets.length],
    scale: [scaled > 0, scaled],
    scopes: [job.scope.size > 0, job.scope.size],
    measure: [measured > 0, measured],
    price: [isPriced, unpriced],
    check: [isPriced && doubts === 0, doubts ?? 0],
    bid: [total > 0 && bidDate !== '' && client !== '', 0],
  };
  return STEPS.map((name) => {
    const [isDone, count] = done[name];
    return { name, isDone, count };
  });
}

/** A job with a dated bid of some money needs nobody to say what comes next. */
export const isUnderWay = (figures: Figures): boolean =>
  bidTotal(figures) > 0 && settingsOf(figures.job).bidDate !== '';
