import { measureNode, openingNode, pieceNode, propertyNode } from '../../calculate/graph/nodes.ts';
import { nodeOfMark } from '../../calculate/sources/nodeOfMark.ts';
import { formOfMark } from '../../calculate/queries/marks.ts';
import { scopeNames } from '../../calculate/queries/jobNames.ts';
import type { Figures } from '../../calculate/figures.ts';
import { MARK_KIND, leadingMeasure, measuresOf } from '../../job/markKinds.ts';
import { MEASURE_DIMENSION, type MarkMeasure, type Measure } from '../../job/measures.ts';
import { marksOfScope, recordsOf } from '../../job/belongs.ts';
import { type Job, inOrder, settingsOf } from '../../job/job.ts';
import { query } from '../../job/query.ts';
import type { Level } from '../../job/records/level.ts';
import type { Sheet } from '../../job/records/sheet.ts';
import type { Zone } from '../../job/records/zone.ts';
import type { NodeId } from '../../job/nodeId.ts';
import type { Mark } from '../../job/records/mark.ts';
import type { Opening } from '../../job/records/opening.ts';
import type { PieceRecord } from '../../job/records/piece.ts';
import type { Scope } from '../../job/records/scope.ts';
import { repeatOf } from '../../takeoff/repeat.ts';
import { type Dimension, LENGTH, isNumber } from '../../units/dimension.ts';
import { findDefaultUnit } from '../../units/format.ts';
import { findUnit } from '../../units/unit.ts';
import { type Cell, textCell } from '../cell.ts';
import { type Field, type ReportContext, known } from './field.ts';

/** A figure in SI as the job writes its dimension. */
export function siCell(figures: Figures, node: NodeId | undefined, dimension: Dimension, unit = ''): Cell {
  if (node === undefined || !figures.has(node)) return undefined;
  const figure = figures.figure(node);
  if (figure.failure !== undefined) return { kind: 'failure', failure: figure.failure };
  return inUnits(figures, figure.value, dimension, unit);
}

function inUnits(figures: Figures, value: number, dimension: Dimension, unit = ''): Cell {
  if (isNumber(dimension)) return { kind: 'number', value };
  const written = findUnit(unit) ?? findDefaultUnit(dimension, settingsOf(figures.job).unitSystem);
  return written === undefined
    ? { kind: 'number', value }
    : { kind: 'quantity', value: value / written.factor, unit: written.symbol };
}

interface Places {
  readonly sheets: string;
  readonly levels: string;
  readonly zones: string;
}

/** Where a scope was drawn, each place once and in the job's order. */
const placesOf: (job: Job, scopeId: string) => Places = query((job, scopeId) => {
  const [sheets, levels, zones] = [new Set<Sheet>(), new Set<Level>(), new Set<Zone>()];
  for (const { sheetId, zoneId } of recordsOf(job.mark, marksOfScope(job, scopeId as string))) {
    const sheet = job.sheet.get(sheetId);
    const level = sheet?.levelId === undefined ? undefined : job.level.get(sheet.levelId);
    const zone = zoneId === undefined ? undefined : job.zone.get(zoneId);
    if (sheet !== undefined) sheets.add(sheet);
    if (level !== undefined) levels.add(level);
    if (zone !== undefined) zones.add(zone);
  }
  return {
    sheets: inOrder(sheets)
      .map(({ number, title }) => number || title)
      .join(', '),
    levels: inOrder(levels)
      .map(({ name }) => name)
      .join(', '),
    zones: inOrder(zones)
      .map(({ name }) => name)
      .join(', '),
  };
});

const DEDUCTS = { all: 'deducts-all', none: 'deducts-none', above: 'deducts-above' } as const;

/** What can be known of what is measured, its measures apart. */
const OWN_FIELDS = {
  name: { kind: 'text', read: ({ name, order }) => textCell(name, order) },
  key: { kind: 'text', read: ({ key }) => textCell(key) },
  kind: { kind: 'text', read: ({ kind }, { words }) => textCell(words.mark(kind)) },
  leading: {
    kind: 'quantity',
    read: ({ id, kind }, { figures }) => {
      const measure = leadingMeasure(kind);
      return siCell(figures, measureNode(id, measure), MEASURE_DIMENSION[measure]);
    },
  },
  leading_is: { kind: 'text', read: ({ kind }, { words }) => textCell(words.measure(leadingMeasure(kind))) },
  expected: {
    kind: 'number',
    read: ({ expected }) => (expected === undefined ? undefined : { kind: 'number', value: expected }),
  },
  sheets: { kind: 'text', read: ({ id }, { figures }) => textCell(placesOf(figures.job, id).sheets) },
  levels: { kind: 'text', read: ({ id }, { figures }) => textCell(placesOf(figures.job, id).levels) },
  zones: { kind: 'text', read: ({ id }, { figures }) => textCell(placesOf(figures.job, id).zones) },
  location: { kind: 'text', read: ({ location = '' }) => textCell(location) },
  deduct: {
    kind: 'text',
    read: ({ deduct }, { words }) => textCell(words.say(DEDUCTS[deduct?.rule ?? 'all'])),
  },
  cost: {
    kind: 'money',
    read: ({ id }, { figures }) => {
      const minor = known(figures, { owner: id, figure: 'cost' });
      return minor === undefined ? undefined : { kind: 'money', minor };
    },
  },
} as const satisfies Readonly<Record<string, Field<Scope>>>;

/** `turning` only moves a length to another face; nobody asks for it. */
export const REPORT_MEASURES = (Object.keys(MEASURE_DIMENSION) as readonly Measure[]).filter(
  (measure): measure is ReportMeasure => measure !== 'turning',
);
type ReportMeasure = Exclude<Measure, 'turning'>;

const measureField = (measure: Measure): Field<Scope> => ({
  kind: isNumber(MEASURE_DIMENSION[measure]) ? 'number' : 'quantity',
  read: ({ id, kind }, { figures }) =>
    measuresOf(kind).includes(measure)
      ? siCell(figures, measureNode(id, measure), MEASURE_DIMENSION[measure])
      : undefined,
});

export const SCOPE_FIELDS = {
  ...OWN_FIELDS,
  ...(Object.fromEntries(REPORT_MEASURES.map((each) => [each, measureField(each)])) as Readonly<
    Record<ReportMeasure, Field<Scope>>
  >),
};

/** A property of what was measured, in the unit it was typed in. */
export const propertyField = (key: string): Field<Scope> => ({
  kind: 'text',
  read: (scope, { figures }) => {
    const property = scope.properties.find((each) => each.key === key);
    if (property === undefined) return undefined;
    const value = known(figures, propertyNode(scope.id, key));
    if (value === undefined) return textCell(property.value);
    const dimension = scopeNames(figures.job, scope.id).findDimension({ type: 'name', name: key });
    return dimension === undefined
      ? { kind: 'number', value }
      : inUnits(figures, value, dimension, property.unit);
  },
});

/** A mark, a typed piece or a counted opening: one piece of the tape. */
export type TapePiece =
  | { readonly by: 'mark'; readonly mark: Mark; readonly scope: Scope }
  | { readonly by: 'piece'; readonly piece: PieceRecord; readonly scope: Scope }
  | { readonly by: 'opening'; readonly opening: Opening; readonly scope: Scope };

function pieceFigure(figures: Figures, tape: TapePiece, measure: MarkMeasure): Cell {
  const dimension = MEASURE_DIMENSION[measure];
  const { kind } = tape.scope;
  if (tape.by === 'mark') {
    const { id } = tape.mark;
    // How often a run or an area is there is no node of its own.
    if (measure === 'count' && kind !== 'count') {
      return { kind: 'number', value: repeatOf(figures.job, tape.mark) };
    }
    return siCell(figures, nodeOfMark(id, formOfMark(figures.job, id), measure), dimension);
  }
  if (measure !== leadingMeasure(kind)) return undefined;
  const node = tape.by === 'piece' ? pieceNode(tape.piece.id) : openingNode(tape.opening.id);
  return siCell(figures, node, dimension);
}

const tapeMeasure = (measure: MarkMeasure): Field<TapePiece> => ({
  kind: isNumber(MEASURE_DIMENSION[measure]) ? 'number' : 'quantity',
  read: (tape, { figures }) => pieceFigure(figures, tape, measure),
});

/** Measures a single mark has. */
export const MARK_MEASURES = [
  ...new Set(Object.values(MARK_KIND).flatMap(({ measures }) => measures)),
].filter((measure): measure is Exclude<MarkMeasure, 'turning'> => measure !== 'turning');

export const MARK_FIELDS = {
  figure: {
    kind: 'quantity',
    read: (tape, { figures }) => pieceFigure(figures, tape, leadingMeasure(tape.scope.kind)),
  },
  kind: {
    kind: 'text',
    read: ({ by, scope }, { words }) =>
      textCell(by === 'piece' ? words.say('typed') : words.mark(scope.kind)),
  },
  typed: { kind: 'text', read: (tape) => textCell(tape.by === 'piece' ? tape.piece.text : '') },
  note: {
    kind: 'text',
    read: (tape) =>
      textCell(tape.by === 'piece' ? tape.piece.note : tape.by === 'opening' ? tape.opening.tag : ''),
  },
  times: {
    kind: 'number',
    read: (tape, { figures }) => ({
      kind: 'number',
      value: tape.by === 'mark' ? repeatOf(figures.job, tape.mark) : 1,
    }),
  },
  pitch: {
    kind: 'text',
    read: (tape) => textCell(tape.by === 'mark' ? (tape.mark.slope?.pitch ?? '') : ''),
  },
  ...(Object.fromEntries(MARK_MEASURES.map((each) => [each, tapeMeasure(each)])) as Readonly<
    Record<(typeof MARK_MEASURES)[number], Field<TapePiece>>
  >),
} as const satisfies Readonly<Record<string, Field<TapePiece>>>;

const length = (lengthM: number, { figures }: ReportContext): Cell => inUnits(figures, lengthM, LENGTH);

/** What can be known of a door, window or hole. */
export const OPENING_FIELDS = {
  tag: { kind: 'text', read: ({ tag }) => textCell(tag) },
  width: { kind: 'quantity', read: ({ widthM }, context) => length(widthM, context) },
  height: { kind: 'quantity', read: ({ heightM }, context) => length(heightM, context) },
  area: {
    kind: 'quantity',
    read: ({ widthM, heightM, markId }, { figures }) => {
      const host = figures.job.mark.get(markId);
      const times = host === undefined ? 1 : repeatOf(figures.job, host);
      return inUnits(figures, widthM * heightM * times, MEASURE_DIMENSION.area);
    },
  },
  count: {
    kind: 'number',
    read: ({ markId }, { figures }) => {
      const host = figures.job.mark.get(markId);
      return { kind: 'number', value: host === undefined ? 1 : repeatOf(figures.job, host) };
    },
  },
  counted_by: {
    kind: 'text',
    read: ({ scopeId }, { figures, words }) =>
      textCell(scopeId === null ? words.say('hole') : (figures.job.scope.get(scopeId)?.name ?? '')),
  },
} as const satisfies Readonly<Record<string, Field<Opening>>>;
