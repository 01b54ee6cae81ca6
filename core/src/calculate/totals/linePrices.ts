import type { NodeId } from '../../job/nodeId.ts';
import { type BidSums, type KindSums, sumBid } from '../../estimate/bid.ts';
import type { Markup } from '../../job/records/markup.ts';
import { distribute } from '../../estimate/distribute.ts';
import { type Group, MAIN_GROUP, groupOf } from '../../estimate/groups.ts';
import { type LineKey, NO_SECTION } from '../../job/lineKey.ts';
import type { LineAt } from '../../estimate/lineSources.ts';
import { sectionsAround } from '../../estimate/places.ts';
import { inOrder, settingsOf } from '../../job/job.ts';
import { COST_KINDS, type CostKind } from '../../job/records/assembly.ts';
import type { Figures } from '../figures.ts';
import { knownValue } from '../define.ts';
import { lineNode } from '../graph/nodes.ts';

/** What a price does not hold, because it stands by itself below all prices. */
export interface ShownApart {
  readonly tax: boolean;
  /** The markups, and what the bid was rounded by. */
  readonly markups: boolean;
}

export const NOTHING_APART: ShownApart = { tax: false, markups: false };

/** What comes on top of the prices where it stands by itself; whole minor units. */
export type PriceStep =
  | { readonly kind: 'tax'; readonly percent: string; readonly amount: number }
  | { readonly kind: 'markup'; readonly markup: Markup; readonly amount: number }
  | { readonly kind: 'rounding'; readonly amount: number };

/** What each line is sold for: its cost with its share of tax, markups and rounding, to the cent. */
export interface LinePrices {
  /** Whole minor units; 0 for a line that does not count, undefined for one whose cost is not known. */
  readonly ofLine: (key: LineKey) => number | undefined;
  readonly ofSection: (sectionId: string) => number;
  /** With the prices they come to the total. */
  readonly steps: readonly PriceStep[];
  readonly total: number;
}

interface Gathered {
  readonly group: Group;
  readonly sums: Record<CostKind, number>;
  readonly lines: LineAt[];
  readonly costs: number[];
  /** Of each line by kind, in the order of the lines. */
  readonly kinds: KindSums[];
}

/** The same order as in the bid itself, so that cents that are left over fall on the same groups. */
const rank = (group: Group): number => (group === MAIN_GROUP ? 0 : 1);

const known = (figures: Figures, node: NodeId): number =>
  figures.has(node) ? (knownValue(figures.figure(node)) ?? 0) : 0;

const kindsOf = (figures: Figures, key: LineKey): KindSums => {
  const sums = { material: 0, labor: 0, equipment: 0, subcontract: 0, other: 0 };
  for (const kind of COST_KINDS) sums[kind] = known(figures, lineNode(key, kind));
  return sums;
};

/** Lines by the group that tax and markups treat them in, with their sums. */
export function gatherGroups(figures: Figures, lines: Iterable<LineAt>): readonly Gathered[] {
  const groups = new Map<string, Gathered>();
  for (const line of lines) {
    const extension = figures.figure(lineNode(line.key, 'extension'));
    if (extension.failure !== undefined) continue;
    const group = groupOf(figures.job, line);
    let there = groups.get(group.id);
    if (there === undefined) {
      there = {
        group,
        sums: { material: 0, labor: 0, equipment: 0, subcontract: 0, other: 0 },
        lines: [],
        costs: [],
        kinds: [],
      };
      groups.set(group.id, there);
    }
    const own = kindsOf(figures, line.key);
    for (const kind of COST_KINDS) there.sums[kind] += own[kind];
    there.kinds.push(own);
    there.lines.push(line);
    there.costs.push(extension.value);
  }
  return [...groups.values()].sort(
    (a, b) => rank(a.group) - rank(b.group) || (a.group.id < b.group.id ? -1 : 1),
  );
}

interface Known {
  readonly job: Figures['job'];
  readonly prices: Map<string, LinePrices>;
}

const latest = new WeakMap<Figures, Known>();

/** Worked out once for each state of the job. */
export function linePrices(figures: Figures, apart: ShownApart = NOTHING_APART): LinePrices {
  let known = latest.get(figures);
  if (known?.job !== figures.job) {
    known = { job: figures.job, prices: new Map() };
    latest.set(figures, known);
  }
  const key = `${apart.tax} ${apart.markups}`;
  const prices = known.prices.get(key) ?? workOut(figures, apart);
  known.prices.set(key, prices);
  return prices;
}

/**
 * What each line of a group is sold for: tax on materials lies on the lines with material, a markup on
 * the lines with what it is taken of, so that a subcontract pays no tax of another's material.
 */
function sharesOf(
  { costs, kinds }: Gathered,
  at: number,
  { parts }: BidSums,
  markups: readonly Markup[],
  apart: ShownApart,
): readonly number[] {
  const prices = [...costs];
  // Markups on what was before them count what stands apart as well.
  const running = [...costs];
  const add = (amount: number, bases: readonly number[], isApart: boolean): void => {
    if (amount === 0) return;
    // What has no base in this group lies on all of its lines.
    const weights = bases.some((base) => base !== 0) ? bases : costs;
    distribute(amount, weights).forEach((share, index) => {
      running[index] = (running[index] ?? 0) + share;
      if (!isApart) prices[index] = (prices[index] ?? 0) + share;
    });
  };
  const ofKind = (kind: CostKind): readonly number[] => kinds.map((sums) => sums[kind]);
  add(parts.tax[at] ?? 0, ofKind('material'), apart.tax);
  markups.forEach(({ base }, index) =>
    add(
      parts.markups[index]?.[at] ?? 0,
      base === 'running' ? [...running] : base === 'cost' ? costs : ofKind(base),
      apart.markups,
    ),
  );
  add(parts.rounding[at] ?? 0, [...running], apart.markups);
  return prices;
}

/** What stands apart, in the order it comes on. */
function stepsOf(
  sums: BidSums,
  markups: readonly Markup[],
  taxPercent: string,
  apart: ShownApart,
): readonly PriceStep[] {
  const steps: readonly PriceStep[] = [
    ...(apart.tax ? [{ kind: 'tax', percent: taxPercent, amount: sums.tax } as const] : []),
    ...(apart.markups
      ? [
          ...markups.map(
            (markup, at) => ({ kind: 'markup', markup, amount: sums.markups[at] ?? 0 }) as const,
          ),
          { kind: 'rounding', amount: sums.rounding } as const,
        ]
      : []),
  ];
  return steps.filter(({ amount }) => amount !== 0);
}

function workOut(figures: Figures, apart: ShownApart): LinePrices {
  const { job } = figures;
  const gathered = gatherGroups(figures, figures.countedLines());
  const markups = inOrder(job.markup.values());
  const settings = settingsOf(job);
  const sums = sumBid(gathered, markups, settings);
  const byLine = new Map<LineKey, number>();
  const bySection = new Map<string, number>();
  gathered.forEach((group, at) => {
    const { lines } = group;
    const shares = sharesOf(group, at, sums, markups, apart);
    lines.forEach(({ key, sectionId }, index) => {
      const share = shares[index] ?? 0;
      byLine.set(key, share);
      for (const id of sectionId === null ? [NO_SECTION] : sectionsAround(job, sectionId))
        bySection.set(id, (bySection.get(id) ?? 0) + share);
    });
  });
  const ofLine = (key: LineKey): number | undefined => {
    if (byLine.has(key)) return byLine.get(key);
    return figures.figure(lineNode(key, 'extension')).failure === undefined ? 0 : undefined;
  };
  return {
    ofLine,
    ofSection: (id) => bySection.get(id) ?? 0,
    steps: stepsOf(sums, markups, settings.taxOnMaterials, apart),
    total: sums.total,
  };
}
