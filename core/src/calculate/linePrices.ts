import { type GroupCost, sumBid } from '../estimate/bid.ts';
import { distribute } from '../estimate/distribute.ts';
import { type Group, groupOf } from '../estimate/groups.ts';
import { type LineKey, NO_SECTION } from '../estimate/lineKey.ts';
import type { LineAt } from '../estimate/lines.ts';
import { sectionsAround } from '../estimate/places.ts';
import { inOrder, settingsOf } from '../job/job.ts';
import { COST_KINDS, type CostKind } from '../job/records/assembly.ts';
import type { Calculation } from './calculation.ts';
import { knownValue } from './define.ts';
import { lineNode } from './nodes.ts';

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
}

const known = (calculation: Calculation, node: string): number =>
  calculation.graph.has(node) ? (knownValue(calculation.figure(node)) ?? 0) : 0;

/** Lines by the group that tax and markups treat them in, with their sums. */
export function gatherGroups(calculation: Calculation, lines: Iterable<LineAt>): readonly Gathered[] {
  const groups = new Map<string, Gathered>();
  for (const line of lines) {
    const extension = calculation.figure(lineNode(line.key, 'extension'));
    if (extension.failure !== undefined) continue;
    const group = groupOf(calculation.job, line);
    let there = groups.get(group.id);
    if (there === undefined) {
      there = {
        group,
        sums: { material: 0, labor: 0, equipment: 0, subcontract: 0, other: 0 },
        lines: [],
        costs: [],
      };
      groups.set(group.id, there);
    }
    for (const kind of COST_KINDS) there.sums[kind] += known(calculation, lineNode(line.key, kind));
    there.lines.push(line);
    there.costs.push(extension.value);
  }
  return [...groups.values()].sort((a, b) => (a.group.id < b.group.id ? -1 : 1));
}

/** What a set of lines comes to as a bid. */
export function bidOfLines(calculation: Calculation, lines: Iterable<LineAt>): ReturnType<typeof sumBid> {
  const groups: readonly GroupCost[] = gatherGroups(calculation, lines);
  return sumBid(groups, inOrder(calculation.job.markup.values()), settingsOf(calculation.job));
}

const latest = new WeakMap<Calculation, { readonly job: Calculation['job']; readonly prices: LinePrices }>();

/** Worked out once for each state of the job. */
export function linePrices(calculation: Calculation): LinePrices {
  const had = latest.get(calculation);
  if (had?.job === calculation.job) return had.prices;
  const prices = workOut(calculation);
  latest.set(calculation, { job: calculation.job, prices });
  return prices;
}

function workOut(calculation: Calculation): LinePrices {
  const { job } = calculation;
  const gathered = gatherGroups(calculation, calculation.countedLines());
  const sums = sumBid(gathered, inOrder(job.markup.values()), settingsOf(job));
  const byLine = new Map<LineKey, number>();
  const bySection = new Map<string, number>();
  gathered.forEach(({ lines, costs }, at) => {
    const shares = distribute(sums.groups[at] ?? 0, costs);
    lines.forEach(({ key, sectionId }, index) => {
      const share = shares[index] ?? 0;
      byLine.set(key, share);
      for (const id of sectionId === null ? [NO_SECTION] : sectionsAround(job, sectionId))
        bySection.set(id, (bySection.get(id) ?? 0) + share);
    });
  });
  const ofLine = (key: LineKey): number | undefined => {
    if (byLine.has(key)) return byLine.get(key);
    return calculation.figure(lineNode(key, 'extension')).failure === undefined ? 0 : undefined;
  };
  return { ofLine, ofSection: (id) => bySection.get(id) ?? 0, total: sums.total };
}
