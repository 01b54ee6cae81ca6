import type { Id } from '../job/id.ts';
import { type Job, inOrder } from '../job/job.ts';
import { marksOfScope, openingsOfScope, piecesOfScope, recordsOf } from '../job/belongs.ts';
import { query } from '../job/query.ts';
import type { LineKey } from '../job/lineKey.ts';
import type { RecordType } from '../job/id.ts';
import type { ReportSource } from '../job/records/report.ts';
import { countedIn, sectionOf } from '../estimate/places.ts';
import { type PricedRow, alternateOfRow, isPriced } from '../estimate/rows.ts';
import { takeSecondLook } from '../doubts/secondLook.ts';
import type { DoubtPlace } from '../doubts/place.ts';
import type { Figures } from '../calculate/figures.ts';
import { priceAlternates } from './alternates.ts';
import { bridgeOf } from './bridge.ts';
import { listShownRows } from './estimateReport.ts';
import type { DoubtRow } from './fields/askedFields.ts';
import type { ReportContext } from './fields/field.ts';
import type { Owners, OwnerName } from './fields/fields.ts';
import { itemOfPriced } from './fields/lineFields.ts';
import type { TapePiece } from './fields/scopeFields.ts';
import { craftShares } from './hoursByCraft.ts';
import { materialList } from './materialList.ts';
import { placeShares } from './placeShares.ts';

/** Where a row leads: what is selected, or gone to, from it. */
export type RowLink =
  | { readonly to: 'line'; readonly key: LineKey }
  | { readonly to: 'scope'; readonly id: Id<'scope'> }
  | { readonly to: 'mark'; readonly id: Id<'mark'> }
  | { readonly to: 'sheet'; readonly id: Id<'sheet'> }
  | { readonly to: 'item'; readonly id: Id<'item'> }
  | { readonly to: 'package'; readonly id: Id<'package'> }
  | { readonly to: 'doubt'; readonly place: DoubtPlace }
  | { readonly to: 'alternates' };

/** What one row is, and what it belongs to. */
type OwnersOf<Row> = {
  readonly [Name in OwnerName]?: (row: Row, context: ReportContext) => Owners[Name] | undefined;
};

/** One kind of rows: who they are, what they belong to, and where they lead. */
export interface RowSource<Row, Given = Row> {
  readonly rows: (context: ReportContext) => readonly Given[];
  readonly keyOf: (row: Row) => string;
  readonly linkOf: (row: Row) => RowLink | undefined;
  readonly owners: OwnersOf<Row>;
  /** The owners that are the row itself: only their figures can be added up without counting anything twice. */
  readonly own: readonly OwnerName[];
  /** The row as it is once its record is another; left out where rows hold no record that may change so. */
  readonly renew?: (row: Row, job: Job) => Given;
  /** Records that may change without other rows coming, going or moving; empty where anything may. */
  readonly steadyOn: readonly RecordType[];
}

const sectionById = (job: Job, id: Id<'section'> | null | undefined): Owners['section'] | undefined =>
  id === null || id === undefined ? undefined : job.section.get(id);

function sectionOfRow(row: PricedRow, { figures: { job } }: ReportContext): Owners['section'] | undefined {
  switch (row.type) {
    case 'component':
      return sectionById(job, sectionOf(job, row.placed));
    case 'line':
      return sectionById(job, row.line.sectionId);
    case 'quote':
      return sectionById(job, row.package.sectionId);
    case 'purchase':
      return undefined;
  }
}

const LINE_OWNERS: OwnersOf<PricedRow> = {
  line: (row) => row,
  scope: (row, { figures }) => (row.type === 'component' ? figures.job.scope.get(row.scope.id) : undefined),
  section: sectionOfRow,
  assembly: (row) => (row.type === 'component' ? row.placed.frame.assembly : undefined),
  item: (row, { figures }) => itemOfPriced(figures, row),
  package: (row) => (row.type === 'quote' ? row.package : undefined),
};

/** The owners of a row that is of a line. */
const throughLine = <Row>(lineOf: (row: Row) => PricedRow): OwnersOf<Row> =>
  Object.fromEntries(
    Object.entries(LINE_OWNERS).map(([name, owner]) => [
      name,
      (row: Row, context: ReportContext) =>
        (owner as (line: PricedRow, context: ReportContext) => unknown)(lineOf(row), context),
    ]),
  ) as OwnersOf<Row>;

/** The priced lines of the bid, in the order of the estimate. */
function linesOf({ figures }: ReportContext): readonly PricedRow[] {
  const { job } = figures;
  const isCounted = countedIn(job);
  return listShownRows(figures).filter(
    (row): row is PricedRow =>
      isPriced(row) && isCounted({ key: row.key, alternate: alternateOfRow(job, row) }),
  );
}

const toLine = (key: LineKey): RowLink => ({ to: 'line', key });

const lines: RowSource<PricedRow> = {
  rows: linesOf,
  keyOf: ({ key }) => key,
  linkOf: ({ key }) => toLine(key),
  owners: LINE_OWNERS,
  own: ['line'],
  renew: (row, job) => {
    const line = row.type === 'line' ? job.line.get(row.line.id) : undefined;
    return row.type === 'line' && line !== undefined ? { ...row, line } : row;
  },
  steadyOn: ['line', 'override', 'mark', 'piece'],
};

/** Pieces of the tape in the order of scopes, sheets and what was typed. */
const listTape = query((job): readonly TapePiece[] =>
  inOrder(job.scope.values()).flatMap((scope): readonly TapePiece[] => {
    const marks = [...recordsOf(job.mark, marksOfScope(job, scope.id))];
    const orderOf = (sheetId: Id<'sheet'>): number => job.sheet.get(sheetId)?.order ?? 0;
    marks.sort((a, b) => orderOf(a.sheetId) - orderOf(b.sheetId));
    return [
      ...marks.map((mark) => ({ by: 'mark', mark, scope }) as const),
      ...recordsOf(job.opening, openingsOfScope(job, scope.id)).map(
        (opening) => ({ by: 'opening', opening, scope }) as const,
      ),
      ...inOrder(recordsOf(job.piece, piecesOfScope(job, scope.id))).map(
        (piece) => ({ by: 'piece', piece, scope }) as const,
      ),
    ];
  }),
);

/** The mark a piece of the tape is drawn by; of an opening the wall it is in. */
function markOf(tape: TapePiece, { job }: Figures): Owners['sheet'] | undefined {
  const mark =
    tape.by === 'mark' ? tape.mark : tape.by === 'opening' ? job.mark.get(tape.opening.markId) : undefined;
  return mark === undefined ? undefined : job.sheet.get(mark.sheetId);
}

function zoneOf(tape: TapePiece, { job }: Figures): Owners['zone'] | undefined {
  const mark =
    tape.by === 'mark' ? tape.mark : tape.by === 'opening' ? job.mark.get(tape.opening.markId) : undefined;
  return mark?.zoneId === undefined ? undefined : job.zone.get(mark.zoneId);
}

const levelOf = (job: Job, sheet: Owners['sheet'] | undefined): Owners['level'] | undefined =>
  sheet?.levelId === undefined ? undefined : job.level.get(sheet.levelId);

const idOfTape = (tape: TapePiece): string =>
  tape.by === 'mark' ? tape.mark.id : tape.by === 'opening' ? tape.opening.id : tape.piece.id;

const marks: RowSource<TapePiece> = {
  rows: ({ figures }) => listTape(figures.job),
  keyOf: idOfTape,
  linkOf: (tape) =>
    tape.by === 'mark' ? { to: 'mark', id: tape.mark.id } : { to: 'scope', id: tape.scope.id },
  owners: {
    mark: (tape) => tape,
    scope: ({ scope }) => scope,
    section: ({ scope }, { figures }) => sectionById(figures.job, scope.sectionId),
    sheet: (tape, { figures }) => markOf(tape, figures),
    level: (tape, { figures }) => levelOf(figures.job, markOf(tape, figures)),
    zone: (tape, { figures }) => zoneOf(tape, figures),
  },
  own: ['mark'],
  steadyOn: ['line', 'override'],
};

const openings: RowSource<Owners['opening']> = {
  rows: ({ figures: { job } }) => [...job.opening.values()],
  keyOf: ({ id }) => id,
  linkOf: ({ markId }) => ({ to: 'mark', id: markId }),
  owners: {
    opening: (opening) => opening,
    // What it sits in.
    scope: ({ markId }, { figures: { job } }) => {
      const host = job.mark.get(markId);
      return host === undefined ? undefined : job.scope.get(host.scopeId);
    },
    sheet: ({ markId }, { figures: { job } }) => {
      const host = job.mark.get(markId);
      return host === undefined ? undefined : job.sheet.get(host.sheetId);
    },
    level: ({ markId }, { figures: { job } }) => {
      const host = job.mark.get(markId);
      return host === undefined ? undefined : levelOf(job, job.sheet.get(host.sheetId));
    },
  },
  own: ['opening'],
  steadyOn: ['line', 'override'],
};

const scopes: RowSource<Owners['scope']> = {
  rows: ({ figures: { job } }) => inOrder(job.scope.values()),
  keyOf: ({ id }) => id,
  linkOf: ({ id }) => ({ to: 'scope', id }),
  owners: {
    scope: (scope) => scope,
    section: ({ sectionId }, { figures }) => sectionById(figures.job, sectionId),
  },
  own: ['scope'],
  steadyOn: ['line', 'override', 'mark', 'piece'],
};

/** How each kind of rows comes about. */
export const ROW_SOURCES = {
  lines,
  components: {
    ...lines,
    rows: (context) => linesOf(context).filter(({ type }) => type === 'component'),
  } satisfies RowSource<PricedRow>,
  places: {
    rows: ({ figures }) => placeShares(figures),
    keyOf: ({ row, levelId = '', zoneId = '' }) => `${row.key} ${levelId} ${zoneId}`,
    linkOf: ({ row }) => toLine(row.key),
    owners: {
      place: (share) => share,
      ...throughLine<Owners['place']>(({ row }) => row),
      level: ({ levelId }, { figures: { job } }) =>
        levelId === undefined ? undefined : job.level.get(levelId),
      zone: ({ zoneId }, { figures: { job } }) => (zoneId === undefined ? undefined : job.zone.get(zoneId)),
    },
    own: ['place'],
    steadyOn: [],
  } satisfies RowSource<Owners['place']>,
  purchases: {
    rows: ({ figures }) => materialList(figures),
    keyOf: ({ partNumber, code, description, unit }) => [partNumber, code, description, unit].join('\n'),
    linkOf: ({ keys: [key] }) => (key === undefined ? undefined : toLine(key)),
    owners: {
      part: (part) => part,
      item: ({ code }, { figures }) => figures.findItem(code),
    },
    own: ['part'],
    steadyOn: [],
  } satisfies RowSource<Owners['part']>,
  marks,
  openings,
  scopes,
  sheets: {
    rows: ({ figures: { job } }) => inOrder(job.sheet.values()),
    keyOf: ({ id }) => id,
    linkOf: ({ id }) => ({ to: 'sheet', id }),
    owners: {
      sheet: (sheet) => sheet,
      level: (sheet, { figures }) => levelOf(figures.job, sheet),
    },
    own: ['sheet'],
    steadyOn: ['line', 'override'],
  } satisfies RowSource<Owners['sheet']>,
  items: {
    rows: ({ figures: { job } }) => [...job.item.values()],
    keyOf: ({ id }) => id,
    linkOf: ({ id }) => ({ to: 'item', id }),
    owners: { item: (item) => item },
    own: ['item'],
    steadyOn: ['mark', 'piece'],
  } satisfies RowSource<Owners['item']>,
  hours: {
    rows: ({ figures }) => [...craftShares(figures)],
    keyOf: ({ row, craftId, crewId = '' }) => `${row.key} ${craftId} ${crewId}`,
    linkOf: ({ row }) => toLine(row.key),
    owners: {
      hours: (share) => share,
      ...throughLine<Owners['hours']>(({ row }) => row),
      craft: ({ craftId }, { figures: { job } }) => job.craft.get(craftId as Id<'craft'>),
      crew: ({ crewId }, { figures: { job } }) =>
        crewId === undefined ? undefined : job.crew.get(crewId as Id<'crew'>),
    },
    own: ['hours'],
    steadyOn: [],
  } satisfies RowSource<Owners['hours']>,
  quotes: {
    rows: ({ figures: { job } }) => inOrder(job.quote.values()),
    keyOf: ({ id }) => id,
    linkOf: ({ packageId }) => ({ to: 'package', id: packageId }),
    owners: {
      quote: (quote) => quote,
      package: ({ packageId }, { figures: { job } }) => job.package.get(packageId),
      section: ({ packageId }, { figures: { job } }) =>
        sectionById(job, job.package.get(packageId)?.sectionId),
    },
    own: ['quote'],
    steadyOn: [],
  } satisfies RowSource<Owners['quote']>,
  alternates: {
    rows: ({ figures }) => priceAlternates(figures),
    keyOf: ({ alternate }) => alternate.id,
    linkOf: () => ({ to: 'alternates' }),
    owners: { alternate: (alternate) => alternate },
    own: ['alternate'],
    steadyOn: [],
  } satisfies RowSource<Owners['alternate']>,
  doubts: {
    rows: ({ figures, today }): readonly DoubtRow[] => {
      const { open, accepted } = takeSecondLook(figures, today);
      return [...open.map((doubt) => ({ doubt, acceptance: undefined })), ...accepted];
    },
    keyOf: ({ doubt }) => doubt.key,
    linkOf: ({ doubt }) => ({ to: 'doubt', place: doubt.place }),
    owners: { doubt: (doubt) => doubt },
    own: ['doubt'],
    steadyOn: [],
  } satisfies RowSource<Owners['doubt']>,
  changes: {
    rows: ({ figures, earlier }) => (earlier === undefined ? [] : bridgeOf(earlier, figures).lines),
    keyOf: ({ key }) => key,
    linkOf: ({ key }) => toLine(key),
    owners: {
      change: (change) => change,
      section: ({ section }, { figures: { job } }) =>
        [...job.section.values()].find(({ name }) => name === section),
    },
    own: ['change'],
    steadyOn: [],
  } satisfies RowSource<Owners['change']>,
} as const satisfies { readonly [Source in ReportSource]: RowSource<never, unknown> };

/** A source as whoever gives its rows back to it sees it. */
export type AnySource = RowSource<unknown>;
export const sourceOf = (source: ReportSource): AnySource => ROW_SOURCES[source] as unknown as AnySource;
