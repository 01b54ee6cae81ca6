import { type BidSums, type GroupCost, sumBid } from '../estimate/bid.ts';
import { type Group, MAIN_GROUP } from '../estimate/groups.ts';
import { type LineKey, NO_SECTION } from '../estimate/lineKey.ts';
import { type Compute, type Rule, sumOf } from '../graph/graph.ts';
import { type Job, inOrder, settingsOf } from '../job/job.ts';
import { COST_KINDS, type CostKind } from '../job/records/assembly.ts';
import type { Definitions } from './define.ts';
import { SUM_KINDS, bidNode, groupNode, lineNode, markupNode, scopeCostNode, sectionNode } from './nodes.ts';

/** Sums over what is known; what is not is counted as unpriced, not as zero. */
const knownSum = (inputs: readonly string[]): Rule => ({
  kind: 'compute',
  inputs,
  run: sumOf,
  skipsFailures: true,
});

type HasNode = (node: string) => boolean;

/** A section's sums by kind, over its lines and inner sections. */
export function defineSection(
  sectionId: string,
  lines: readonly LineKey[],
  inner: readonly string[],
  hasNode: HasNode,
): Definitions {
  const kinds: Definitions = SUM_KINDS.map((kind) => {
    const ofLines = lines.map((line) => lineNode(line, kind)).filter(hasNode);
    return [
      sectionNode(sectionId, kind),
      knownSum([...ofLines, ...inner.map((id) => sectionNode(id, kind))]),
    ];
  });
  const costs = COST_KINDS.map((kind) => sectionNode(sectionId, kind));
  return [...kinds, [sectionNode(sectionId, 'cost'), knownSum(costs)]];
}

export const defineScopeCost = (scopeId: string, lines: readonly LineKey[]): Definitions => [
  [scopeCostNode(scopeId), knownSum(lines.map((line) => lineNode(line, 'extension')))],
];

/** Lines that tax and markups treat apart from the others. */
export interface GroupLines {
  readonly group: Group;
  readonly lines: readonly LineKey[];
}

/** The sums of the groups apart; what is left of the bid is the main one, exactly: all are whole cents. */
export function defineGroups(apart: readonly GroupLines[], hasNode: HasNode): Definitions {
  const rest: Compute = (values, at) => {
    let left = values[at[0] as number] as number;
    for (let slot = 1; slot < at.length; slot += 1) left -= values[at[slot] as number] as number;
    return left;
  };
  const sums: Definitions = apart.flatMap(({ group, lines }) =>
    COST_KINDS.map((kind) => {
      const ofLines = lines.map((line) => lineNode(line, kind)).filter(hasNode);
      return [groupNode(group.id, kind), knownSum(ofLines)] as const;
    }),
  );
  const main: Definitions = COST_KINDS.map((kind) => [
    groupNode(MAIN_GROUP.id, kind),
    {
      kind: 'compute',
      inputs: [bidNode(kind), ...apart.map(({ group }) => groupNode(group.id, kind))],
      run: rest,
    },
  ]);
  return [...sums, ...main];
}

/** Direct cost by kind, tax, the markups in their order, rounding, and the bid. */
export function defineBid(job: Job, apart: readonly Group[]): Definitions {
  const top = [...job.section.values()].filter(({ parentId }) => parentId === null).map(({ id }) => id);
  const sections = [...top, NO_SECTION];
  const direct: Definitions = [...SUM_KINDS, 'cost' as const].map((kind) => [
    bidNode(kind),
    knownSum(sections.map((id) => sectionNode(id, kind))),
  ]);
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
    [bidNode('tax'), step(({ tax }) => tax)],
    ...markups.map(({ id }, index) => [markupNode(id), step((sums) => sums.markups[index] ?? 0)] as const),
    [bidNode('rounding'), step(({ rounding }) => rounding)],
    [bidNode('total'), step(({ total }) => total)],
  ];
}
