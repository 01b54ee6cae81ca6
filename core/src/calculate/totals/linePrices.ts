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

/** What each line is sold for: its cost with its share of tax, markups and rounding, to the cent. */
export interface LinePrices {
  /** Whole minor units; 0 for a line that does not count, undefined for one whose cost is not known. */
  readonly ofLine: (key: LineKey) => number | undefined;
  readonly ofSection: (sectionId: string) => number;
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

const latest = new WeakMap<Figures, { readonly job: Figures['job']; readonly prices: LinePrices }>();

/** Worked out once for each state of the job. */
export function linePrices(figures: Figures): LinePrices {
  const had = latest.get(figures);
  if (had?.job === figures.job) return had.prices;
  const prices = workOut(figures);
  latest.set(figures, { job: figures.job, prices });
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
): readonly number[] {
  const running = [...costs];
  const add = (amount: number, bases: readonly number[]): void => {
    if (amount === 0) return;
    // What has no base in this group lies on all of its lines.
    const weights = bases.some((base) => base !== 0) ? bases : costs;
    distribute(amount, weights).forEach((share, index) => {
      running[index] = (running[index] ?? 0) + share;
    });
  };
  const ofKind = (kind: CostKind): readonly number[] => kinds.map((sums) => sums[kind]);
  add(parts.tax[at] ?? 0, ofKind('material'));
  markups.forEach(({ base }, index) =>
    add(
      parts.markups[index]?.[at] ?? 0,
      base === 'running' ? [...running] : base === 'cost' ? costs : ofKind(base),
    ),
  );
  add(parts.rounding[at] ?? 0, [...running]);
  return running;
}

function workOut(figures: Figures): LinePrices {
  const { job } = figures;
  const gathered = gatherGroups(figures, figures.countedLines());
  const markups = inOrder(job.markup.values());
  const sums = sumBid(gathered, markups, settingsOf(job));
  const byLine = new Map<LineKey, number>();
  const bySection = new Map<string, number>();
  gathered.forEach((group, at) => {
    const { lines } = group;
    const shares = sharesOf(group, at, sums, markups);
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
  return { ofLine, ofSection: (id) => bySection.get(id) ?? 0, total: sums.total };
}
