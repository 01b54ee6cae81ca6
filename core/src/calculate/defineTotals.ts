import { percentOf } from '../estimate/markup.ts';
import { type Rule, sumOf } from '../graph/graph.ts';
import { type Job, inOrder, settingsOf } from '../job/job.ts';
import { COST_KINDS } from '../job/records/assembly.ts';
import type { Markup } from '../job/records/markup.ts';
import type { Definitions } from './define.ts';
import { type LineKey, NO_SECTION } from '../estimate/lineKey.ts';
import { SUM_KINDS, bidNode, lineNode, markupNode, scopeCostNode, sectionNode } from './nodes.ts';

/** Sums over what is known; what is not is counted as unpriced, not as zero. */
const knownSum = (inputs: readonly string[]): Rule => ({
  kind: 'compute',
  inputs,
  run: sumOf,
  skipsFailures: true,
});

/** A section's sums by kind, over its lines and inner sections. */
export function defineSection(
  sectionId: string,
  lines: readonly LineKey[],
  inner: readonly string[],
  hasNode: (node: string) => boolean,
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

/** Direct cost by kind, tax, the markups in their order, and the bid. */
export function defineBid(job: Job): Definitions {
  const top = [...job.section.values()].filter(({ parentId }) => parentId === null).map(({ id }) => id);
  const sections = [...top, NO_SECTION];
  const sums: Definitions = [...SUM_KINDS, 'cost' as const].map((kind) => [
    bidNode(kind),
    knownSum(sections.map((id) => sectionNode(id, kind))),
  ]);
  const { taxOnMaterials } = settingsOf(job);
  const tax: Rule = {
    kind: 'compute',
    inputs: [bidNode('material')],
    run: (values, at) => percentOf(values[at[0] as number] as number, taxOnMaterials),
  };
  const markups = inOrder(job.markup.values());
  const running = [bidNode('cost'), bidNode('tax')];
  const marked: (readonly [string, Rule])[] = [];
  for (const markup of markups) {
    marked.push([markupNode(markup.id), defineMarkup(markup, [...running])]);
    running.push(markupNode(markup.id));
  }
  return [
    ...sums,
    [bidNode('tax'), tax],
    ...marked,
    [bidNode('total'), { kind: 'compute', inputs: running, run: sumOf }],
  ];
}

function defineMarkup(markup: Markup, running: readonly string[]): Rule {
  const inputs = markup.base === 'running' ? running : [bidNode(markup.base)];
  return { kind: 'compute', inputs, run: (values, at) => percentOf(sumOf(values, at), markup.percent) };
}
