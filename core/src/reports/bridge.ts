import { COST_KINDS } from '../job/records/assembly.ts';
import type { Figures } from '../calculate/figures.ts';
import { knownValue } from '../calculate/define.ts';
import { bidNode, lineNode } from '../calculate/graph/nodes.ts';
import type { LineKey } from '../job/lineKey.ts';
import { type LineAt, nameOfLine } from '../estimate/lineSources.ts';

/** Why a line's money changed. */
export const BRIDGE_CAUSES = ['quantity', 'price', 'added', 'removed'] as const;
export type BridgeCause = (typeof BRIDGE_CAUSES)[number];

export interface BridgeLine {
  readonly key: LineKey;
  readonly name: string;
  readonly section: string;
  /** Direct cost in whole minor units. */
  readonly from: number;
  readonly to: number;
  readonly by: Readonly<Record<BridgeCause, number>>;
}

/** From one bid to another, in whole minor units; the causes and what comes on top add up exactly. */
export interface Bridge {
  readonly from: number;
  readonly to: number;
  readonly by: Readonly<Record<BridgeCause, number>>;
  readonly tax: number;
  /** All markups and the rounding of the bid. */
  readonly markup: number;
  readonly lines: readonly BridgeLine[];
}

const NOTHING: Readonly<Record<BridgeCause, number>> = { quantity: 0, price: 0, added: 0, removed: 0 };

interface LineMoney {
  readonly line: LineAt;
  readonly quantity: number;
  readonly extension: number;
}

function moneyOf(figures: Figures): ReadonlyMap<LineKey, LineMoney> {
  const found = new Map<LineKey, LineMoney>();
  for (const line of figures.countedLines()) {
    const extension = knownValue(figures.figure(lineNode(line.key, 'extension')));
    const quantity = knownValue(figures.figure(lineNode(line.key, 'quantity')));
    if (extension !== undefined) found.set(line.key, { line, quantity: quantity ?? 0, extension });
  }
  return found;
}

/** Of a line in both, what its quantity did at the old price, and the price at the new quantity. */
function causesOf(from: LineMoney, to: LineMoney): Readonly<Record<BridgeCause, number>> {
  const change = to.extension - from.extension;
  // A lump sum of nothing before has no price to hold a quantity against.
  if (from.quantity === 0) return { ...NOTHING, [to.quantity === 0 ? 'price' : 'quantity']: change };
  const moved = Math.round((from.extension / from.quantity) * (to.quantity - from.quantity));
  if (to.quantity === from.quantity) return { ...NOTHING, price: change };
  // Each kind of cost is rounded to a cent at the old quantity and at the new one: that much is no price.
  const rounding = (COST_KINDS.length / 2) * (1 + Math.abs(to.quantity / from.quantity));
  return Math.abs(change - moved) <= rounding
    ? { ...NOTHING, quantity: change }
    : { ...NOTHING, quantity: moved, price: change - moved };
}

/** What changed the bid between two states of a job, down to the line. */
export function bridgeOf(before: Figures, after: Figures): Bridge {
  const [from, to] = [moneyOf(before), moneyOf(after)];
  const lines: BridgeLine[] = [];
  const sectionOf = (figures: Figures, { sectionId }: LineAt): string =>
    (sectionId === null ? undefined : figures.job.section.get(sectionId)?.name) ?? '';
  for (const key of new Set([...from.keys(), ...to.keys()])) {
    const [old, now] = [from.get(key), to.get(key)];
    const known = now ?? old;
    if (known === undefined) continue;
    const by =
      old === undefined
        ? { ...NOTHING, added: now?.extension ?? 0 }
        : now === undefined
          ? { ...NOTHING, removed: -old.extension }
          : causesOf(old, now);
    if (Object.values(by).every((amount) => amount === 0)) continue;
    lines.push({
      key,
      name: nameOfLine(known.line),
      section: sectionOf(now === undefined ? before : after, known.line),
      from: old?.extension ?? 0,
      to: now?.extension ?? 0,
      by,
    });
  }
  const by = Object.fromEntries(
    BRIDGE_CAUSES.map((cause) => [cause, lines.reduce((sum, line) => sum + line.by[cause], 0)]),
  ) as Record<BridgeCause, number>;
  const change = (node: 'tax' | 'total' | 'cost'): number =>
    (knownValue(after.figure(bidNode(node))) ?? 0) - (knownValue(before.figure(bidNode(node))) ?? 0);
  const size = ({ by: causes }: BridgeLine): number =>
    Object.values(causes).reduce((sum, amount) => sum + Math.abs(amount), 0);
  lines.sort((a, b) => size(b) - size(a) || (a.key < b.key ? -1 : 1));
  return {
    from: knownValue(before.figure(bidNode('total'))) ?? 0,
    to: knownValue(after.figure(bidNode('total'))) ?? 0,
    by,
    tax: change('tax'),
    markup: change('total') - change('cost') - change('tax'),
    lines,
  };
}
