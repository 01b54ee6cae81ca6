import type { NodeId } from '../../job/nodeId.ts';
import { type Job, inOrder, settingsOf } from '../../job/job.ts';
import type { Yardstick } from '../../job/records/yardstick.ts';
import { unitOrLabel } from '../../pricing/quantity.ts';
import { minorDigits } from '../../pricing/money.ts';
import type { Figures } from '../figures.ts';
import { knownValue } from '../define.ts';
import { linePrices } from './linePrices.ts';
import { bidNode, lineNode, sectionNode, yardstickNode } from '../graph/nodes.ts';

/** How a figure of the job stands to the estimator's own range. */
export interface YardstickReading {
  readonly yardstick: Yardstick;
  /** Money in major units, or hours, for one unit of the driver; undefined while either is not known. */
  readonly each: number | undefined;
  /** In the yardstick's unit. */
  readonly driver: number | undefined;
  readonly state: 'within' | 'below' | 'above' | 'unknown';
  /** How far outside of the range, as a share of its nearer end. */
  readonly distance: number;
}

function amountOf(figures: Figures, { of, on }: Yardstick): number | undefined {
  const digits = minorDigits(settingsOf(figures.job).currency);
  const known = (node: NodeId): number | undefined => knownValue(figures.figure(node));
  const major = (minor: number | undefined): number | undefined =>
    minor === undefined ? undefined : minor / 10 ** digits;
  if (of === 'price') {
    if (on.what === 'bid') return major(known(bidNode('total')));
    const prices = linePrices(figures);
    return major(
      on.what === 'section' ? prices.ofSection(on.sectionId) : sumOver(linesOf(on), prices.ofLine),
    );
  }
  const kind = of === 'hours' ? 'hours' : 'cost';
  const figure =
    on.what === 'bid'
      ? known(bidNode(kind))
      : on.what === 'section'
        ? known(sectionNode(on.sectionId, kind))
        : sumOver(linesOf(on), (line) => known(lineNode(line, of === 'hours' ? 'hours' : 'extension')));
  return of === 'hours' ? figure : major(figure);
}

const linesOf = (on: Extract<Yardstick['on'], { what: 'line' | 'lines' }>): readonly string[] =>
  on.what === 'line' ? [on.line] : on.lines;

/** The sum of what is known; undefined where nothing is. */
function sumOver(lines: readonly string[], of: (line: string) => number | undefined): number | undefined {
  const figures = lines.flatMap((line) => of(line) ?? []);
  return figures.length === 0 ? undefined : figures.reduce((sum, each) => sum + each, 0);
}

export function readYardstick(figures: Figures, yardstick: Yardstick): YardstickReading {
  const driven = knownValue(figures.figure(yardstickNode(yardstick.id)));
  const factor = yardstick.unit === '' ? 1 : unitOrLabel(yardstick.unit).factor;
  const driver = driven === undefined ? undefined : driven / factor;
  const amount = amountOf(figures, yardstick);
  if (driver === undefined || amount === undefined || driver === 0)
    return { yardstick, each: undefined, driver, state: 'unknown', distance: 0 };
  const each = amount / driver;
  const low = yardstick.low === '' ? -Infinity : Number(yardstick.low);
  const high = yardstick.high === '' ? Infinity : Number(yardstick.high);
  if (each < low)
    return { yardstick, each, driver, state: 'below', distance: low === 0 ? 0 : (low - each) / low };
  if (each > high)
    return { yardstick, each, driver, state: 'above', distance: high === 0 ? 0 : (each - high) / high };
  return { yardstick, each, driver, state: 'within', distance: 0 };
}

export const readYardsticks = (figures: Figures): readonly YardstickReading[] =>
  inOrder(figures.job.yardstick.values()).map((yardstick) => readYardstick(figures, yardstick));

/** The yardsticks of a job that measure one thing, for what asks about it. */
export const yardsticksOn = (job: Job, on: Yardstick['on']['what']): readonly Yardstick[] =>
  inOrder(job.yardstick.values()).filter((each) => each.on.what === on);
