import { lineNode } from '../calculate/graph/nodes.ts';
import { type LineAt, costCodeOfLine, unitOfLine } from '../estimate/lineSources.ts';
import type { Failure } from '../job/failure.ts';
import { settingsOf } from '../job/job.ts';
import type { Doubt, DoubtAbout, DoubtRule } from './doubt.ts';
import { type DoubtContext, daysBetween } from './context.ts';

const doubtOf = ({ nameOf }: DoubtContext, line: LineAt, about: DoubtAbout): Doubt => ({
  key: `${about.rule}|${line.key}`,
  name: nameOf(line),
  about,
  place: line.of.by === 'package' ? { at: 'package', id: line.of.made.id } : { at: 'line', key: line.key },
});

/** Reasons that have rules of their own; what hangs on them is not doubted line by line. */
const ELSEWHERE = new Set<Failure['kind']>(['no-scale', 'no-pitch', 'no-quantity']);
const PRICES = new Set<Failure['kind']>(['no-price', 'item-unknown', 'no-wage', 'no-size', 'no-quote']);

const ruleOfFailure = (kind: Failure['kind']): DoubtRule =>
  kind === 'units-do-not-convert'
    ? 'units-differ'
    : PRICES.has(kind)
      ? 'line-without-price'
      : 'formula-wrong';

/** Lines that the bid does not hold, each with the reason. */
export const linesThatFail = (context: DoubtContext): readonly Doubt[] =>
  context.lines.flatMap((line): readonly Doubt[] => {
    const quantity = context.figures.figure(lineNode(line.key, 'quantity'));
    const extension = context.figures.figure(lineNode(line.key, 'extension'));
    const labor = context.figures.has(lineNode(line.key, 'labor-known'))
      ? context.figures.figure(lineNode(line.key, 'labor'))
      : extension;
    const failure = quantity.failure ?? extension.failure ?? labor.failure;
    if (failure === undefined || ELSEWHERE.has(failure.kind)) return [];
    const rule = ruleOfFailure(failure.kind) as 'formula-wrong';
    return [doubtOf(context, line, { rule, failure })];
  });

export const zeroQuantities = (context: DoubtContext): readonly Doubt[] =>
  context.lines.flatMap((line): readonly Doubt[] => {
    // What an assembly leaves at nothing, with its scope measured, is its rule; not measured is told elsewhere.
    if (line.of.by !== 'line') return [];
    return context.known(lineNode(line.key, 'quantity')) === 0
      ? [doubtOf(context, line, { rule: 'zero-quantity' })]
      : [];
  });

/** A pinned quantity that is this far from the flowing one is asked about. */
export const PINNED_FAR = 0.1;

export const pinnedFar = (context: DoubtContext): readonly Doubt[] =>
  context.lines.flatMap((line): readonly Doubt[] => {
    const node = lineNode(line.key, 'flowing');
    if (!context.figures.has(node)) return [];
    const [flowing, pinned] = [context.known(node), context.known(lineNode(line.key, 'quantity'))];
    if (flowing === undefined || pinned === undefined) return [];
    const far = Math.abs(pinned - flowing) > PINNED_FAR * Math.max(Math.abs(flowing), Math.abs(pinned));
    return far
      ? [doubtOf(context, line, { rule: 'pinned-far', pinned, flowing, unit: unitOfLine(line) })]
      : [];
  });

/** Quantities that came along from another job and were never looked at. */
export function unconfirmedQuantities(context: DoubtContext): readonly Doubt[] {
  const { job, known } = context;
  const lines = context.lines.flatMap((line): readonly Doubt[] => {
    if (line.of.by !== 'line' || line.of.made.unconfirmed !== true) return [];
    const { source = '', unit } = line.of.made;
    const quantity = known(lineNode(line.key, 'quantity')) ?? 0;
    return [doubtOf(context, line, { rule: 'unconfirmed', source, quantity, unit })];
  });
  const pieces = [...job.piece.values()]
    .filter(({ unconfirmed }) => unconfirmed === true)
    .map((piece): Doubt => ({
      key: `unconfirmed|${piece.id}`,
      name: job.scope.get(piece.scopeId)?.name ?? '',
      about: { rule: 'unconfirmed', source: piece.note, quantity: Number(piece.text), unit: piece.unit },
      place: { at: 'scope', id: piece.scopeId },
    }));
  return [...lines, ...pieces];
}

export const USUAL_PRICE_DAYS = 180;

export function oldPrices(context: DoubtContext): readonly Doubt[] {
  const { priceDays = USUAL_PRICE_DAYS } = settingsOf(context.job);
  const asked = new Set<string>();
  return context.lines.flatMap((line): readonly Doubt[] => {
    const item = context.itemOf(line);
    if (item === undefined || asked.has(item.code)) return [];
    // Once for each item, not for each line that it prices.
    asked.add(item.code);
    const days = daysBetween(item.date, context.today);
    if (days === undefined || days <= priceDays) return [];
    const about: DoubtAbout = { rule: 'price-old', date: item.date, days };
    return [
      {
        ...doubtOf(context, line, about),
        key: `price-old|${item.id}`,
        name: `${item.code} ${item.description}`,
      },
    ];
  });
}

/** Lines that report to no code, stand in no section, or are counted in nothing. */
export function untidyLines(context: DoubtContext): readonly Doubt[] {
  const asked = new Set<string>();
  return context.lines.flatMap((line): readonly Doubt[] => {
    if (line.of.by === 'purchase') return [];
    const { sectionId } = line;
    const doubts: Doubt[] = [];
    if (sectionId === null && line.of.by === 'use') {
      // What was measured is moved whole: asked once, not for each line it makes.
      const { scope } = line.of.made.frame;
      if (!asked.has(scope.id)) {
        asked.add(scope.id);
        const about: DoubtAbout = { rule: 'line-without-section' };
        const key = `line-without-section|${scope.id}`;
        doubts.push({ key, name: scope.name, about, place: { at: 'scope', id: scope.id } });
      }
    } else if (sectionId === null) doubts.push(doubtOf(context, line, { rule: 'line-without-section' }));
    else if (costCodeOfLine(context.job, line) === '')
      doubts.push(doubtOf(context, line, { rule: 'line-without-code' }));
    if (unitOfLine(line).trim() === '') doubts.push(doubtOf(context, line, { rule: 'line-without-unit' }));
    return doubts;
  });
}
