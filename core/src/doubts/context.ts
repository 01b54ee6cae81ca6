import type { NodeId } from '../job/nodeId.ts';
import type { Figures } from '../calculate/figures.ts';
import { knownValue } from '../calculate/define.ts';
import { itemCodeOfLine, nameOfLine } from '../estimate/lineSources.ts';
import type { LineAt } from '../estimate/lineSources.ts';
import { type PricedLine, pricedLine, pricingItem } from '../calculate/samples.ts';
import { lineNode } from '../calculate/graph/nodes.ts';
import { paragraphs } from '../job/paragraphs.ts';
import type { Failure } from '../job/failure.ts';
import { type Job, settingsOf } from '../job/job.ts';
import type { Item } from '../job/records/item.ts';

/** What every rule looks at, gathered once. */
export interface DoubtContext {
  readonly figures: Figures;
  readonly job: Job;
  /** ISO date. */
  readonly today: string;
  /** The lines that count and apply, not those of alternates that are not accepted. */
  readonly lines: readonly LineAt[];
  readonly known: (node: NodeId) => number | undefined;
  readonly nameOf: (line: LineAt) => string;
  readonly itemOf: (line: LineAt) => Item | undefined;
  readonly priced: (line: LineAt) => PricedLine;
  /** Lines that come to nothing, with the reason. */
  readonly failing: () => readonly (readonly [LineAt, Failure])[];
  /** The item that prices a line, also one its sizes lead to; undefined for what is typed or quoted. */
  readonly pricedBy: (line: LineAt) => Item | undefined;
  /** What the bid says is in it and is not, a paragraph each, and both together. */
  readonly inclusions: readonly string[];
  readonly exclusions: readonly string[];
  readonly texts: readonly string[];
}

export function createContext(figures: Figures, today: string): DoubtContext {
  const { job } = figures;
  const known = pricedBefore(job);
  // Several rules ask it of the same lines, and most lines are priced as at the last look.
  const priced = (line: LineAt): PricedLine => {
    const had = known.get(line.of.made);
    if (had !== undefined) return had;
    const made = pricedLine(figures, line);
    // Which item a size leads to follows from figures: it is asked again.
    if (made.pricing?.sizing === undefined) known.set(line.of.made, made);
    return made;
  };
  const { inclusions, exclusions } = settingsOf(job);
  const [included, excluded] = [paragraphs(inclusions), paragraphs(exclusions)];
  const lines = [...figures.countedLines()].filter(({ of }) => of.by !== 'use' || figures.isDue(of.made));
  return {
    figures,
    job,
    today,
    lines,
    known: (node) => knownValue(figures.figure(node)),
    nameOf: nameOfLine,
    itemOf: (line) => figures.findItem(itemCodeOfLine(job, line)),
    priced,
    pricedBy: (line) => pricingItem(priced(line)),
    failing: once(() => failingLines(figures, lines)),
    inclusions: included,
    exclusions: excluded,
    texts: [...included, ...excluded],
  };
}

interface PricedBefore {
  readonly from: readonly unknown[];
  readonly lines: WeakMap<object, PricedLine>;
}
const pricedKnown = new WeakMap<Job['item'], PricedBefore>();

/** What priced each line at the last look, for as long as nothing that prices lines is another. */
function pricedBefore({ item, override, package: packages, quote }: Job): PricedBefore['lines'] {
  const from = [override, packages, quote];
  const had = pricedKnown.get(item);
  if (had?.from.every((each, at) => each === from[at]) === true) return had.lines;
  const lines = new WeakMap<object, PricedLine>();
  pricedKnown.set(item, { from, lines });
  return lines;
}

function once<Value>(make: () => Value): () => Value {
  let made: { readonly value: Value } | undefined;
  return () => (made ??= { value: make() }).value;
}

function failingLines(figures: Figures, lines: readonly LineAt[]): readonly (readonly [LineAt, Failure])[] {
  return lines.flatMap((line): readonly (readonly [LineAt, Failure])[] => {
    const quantity = figures.figure(lineNode(line.key, 'quantity'));
    const extension = figures.figure(lineNode(line.key, 'extension'));
    const known = lineNode(line.key, 'labor-known');
    const labor = figures.has(known) ? figures.figure(lineNode(line.key, 'labor')) : extension;
    const failure = quantity.failure ?? extension.failure ?? labor.failure;
    return failure === undefined ? [] : [[line, failure]];
  });
}

/** Whole days from one ISO date to another; undefined where either is none. */
export function daysBetween(from: string, to: string): number | undefined {
  const [a, b] = [dayNumber(from), dayNumber(to)];
  return a === undefined || b === undefined ? undefined : b - a;
}

/** Days since a fixed day, by the calendar's own rule (Fliegel and Van Flandern, 1968, from memory). */
function dayNumber(date: string): number | undefined {
  const match = /^(\d{4})-(\d{2})-(\d{2})$/.exec(date);
  if (match === null) return undefined;
  const [year = 0, month = 0, day = 0] = match.slice(1).map(Number);
  const early = Math.trunc((month - 14) / 12);
  return (
    day -
    32075 +
    Math.trunc((1461 * (year + 4800 + early)) / 4) +
    Math.trunc((367 * (month - 2 - early * 12)) / 12) -
    Math.trunc((3 * Math.trunc((year + 4900 + early) / 100)) / 4)
  );
}
