import { type BidSums, type GroupCost, sumBid } from '../../estimate/bid.ts';
import { type Group, MAIN_GROUP } from '../../estimate/groups.ts';
import { type CountedLine, countedInSection, linesOfScope } from '../../estimate/lines.ts';
import { innerSections } from '../../job/belongs.ts';
import type { Id } from '../../job/id.ts';
import { inOrder, settingsOf } from '../../job/job.ts';
import { NO_SECTION } from '../../job/lineKey.ts';
import type { NodeId } from '../../job/nodeId.ts';
import { COST_KINDS, type CostKind } from '../../job/records/assembly.ts';
import type { Define, Definitions, Read } from '../define.ts';
import { type Compute, type Rule, sumOf } from '../graph/rule.ts';
import {
  SUM_KINDS,
  bidNode,
  groupNode,
  lineNode,
  markupNode,
  scopeCostNode,
  sectionNode,
} from '../graph/nodes.ts';
import { findGroupLines, groupsOfOwnRates } from './groupsOfOwnRates.ts';

/** Sums over what is known; what is not is counted as unpriced, not as zero. */
const knownSum = (inputs: readonly NodeId[]): Rule => ({
  kind: 'compute',
  inputs,
  run: sumOf,
  skipsFailures: true,
});

/** A kind of cost of lines, of those that have it. */
const nodesOfLines = (
  read: Read,
  lines: readonly CountedLine[],
  kind: (typeof SUM_KINDS)[number],
): readonly NodeId[] =>
  lines.flatMap(({ key, by, makerId }) => read.nodesOf(by, makerId, [lineNode(key, kind)]));

/** A section's sums by kind, over its lines and inner sections. */
export const defineSection: Define = (read, id) => {
  const { job } = read;
  if (id !== NO_SECTION && !job.section.has(id as Id<'section'>)) return [];
  const lines = countedInSection(job, id);
  const inner = id === NO_SECTION ? [] : innerSections(job, id);
  const kinds: Definitions = SUM_KINDS.map((kind) => [
    sectionNode(id, kind),
    knownSum([...nodesOfLines(read, lines, kind), ...inner.map((each) => sectionNode(each, kind))]),
  ]);
  const costs = COST_KINDS.map((kind) => sectionNode(id, kind));
  return [...kinds, [sectionNode(id, 'cost'), knownSum(costs)]];
};

/** A scope's own lines taken together. */
export const defineScopeCost: Define = ({ job }, id) =>
  job.scope.has(id as Id<'scope'>)
    ? [[scopeCostNode(id), knownSum(linesOfScope(job, id).map((line) => lineNode(line, 'extension')))]]
    : [];

/** Lines that tax and markups treat apart from the others. */
export const defineGroup: Define = (read, id) => {
  const lines = findGroupLines(read.job, id)?.lines ?? [];
  return COST_KINDS.map((kind) => [groupNode(id, kind), knownSum(nodesOfLines(read, lines, kind))]);
};

/** What is left of the bid without the groups apart is the main one, exactly: all are whole cents. */
function defineMainGroup(apart: readonly Group[]): Definitions {
  const rest: Compute = (values, at) => {
    let left = values[at[0] as number] as number;
    for (let slot = 1; slot < at.length; slot += 1) left -= values[at[slot] as number] as number;
    return left;
  };
  return COST_KINDS.map((kind) => [
    groupNode(MAIN_GROUP.id, kind),
    { kind: 'compute', inputs: [bidNode(kind), ...apart.map(({ id }) => groupNode(id, kind))], run: rest },
  ]);
}

/** Direct cost by kind, tax, the markups in their order, rounding, and the bid. */
export const defineBid: Define = ({ job }) => {
  const sections = [...innerSections(job, ''), NO_SECTION];
  const direct: Definitions = [...SUM_KINDS, 'cost' as const].map((kind) => [
    bidNode(kind),
    knownSum(sections.map((id) => sectionNode(id, kind))),
  ]);
  const apart = groupsOfOwnRates(job).map(({ group }) => group);
  const settings = settingsOf(job);
  const markups = inOrder(job.markup.values());
  const groups = [MAIN_GROUP, ...apart];
  const inputs = groups.flatMap(({ id }) => COST_KINDS.map((kind) => groupNode(id, kind)));
  const read = (values: Float64Array, at: Int32Array): readonly GroupCost[] =>
    groups.map((group, index) => ({
      group,
      sums: Object.fromEntries(
        COST_KINDS.map((kind, slot) => [kind, values[at[index * COST_KINDS.length + slot] as number]]),
      ) as Record<CostKind, number>,
    }));
  // Every step reads the same sums: what was worked out for one holds for the others.
  let known: { readonly key: string; readonly sums: BidSums } | undefined;
  const sumsOf = (values: Float64Array, at: Int32Array): BidSums => {
    const costs = read(values, at);
    const key = costs.map(({ sums }) => COST_KINDS.map((kind) => sums[kind]).join(' ')).join('|');
    if (known?.key !== key) known = { key, sums: sumBid(costs, markups, settings) };
    return known.sums;
  };
  const step = (figure: (sums: BidSums) => number): Rule => ({
    kind: 'compute',
    inputs,
    run: (values, at) => figure(sumsOf(values, at)),
  });
  return [
    ...direct,
    ...defineMainGroup(apart),
    [bidNode('tax'), step(({ tax }) => tax)],
    ...markups.map(({ id }, index) => [markupNode(id), step((sums) => sums.markups[index] ?? 0)] as const),
    [bidNode('rounding'), step(({ rounding }) => rounding)],
    [bidNode('total'), step(({ total }) => total)],
  ];
};
