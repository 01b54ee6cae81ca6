import { type PlacedComponent, componentsOf } from '../assemblies/frames.ts';
import type { Id } from '../job/id.ts';
import type { Job } from '../job/job.ts';
import type { LineKey } from '../job/lineKey.ts';
import { overrideOf } from '../job/overrides.ts';
import { query } from '../job/query.ts';
import type { PlaceInAlternate } from '../job/records/alternate.ts';
import type { Line } from '../job/records/line.ts';
import type { Package } from '../job/records/quote.ts';
import { alternateOf, costCodeOf, standsInItsSection, sectionOf } from './places.ts';
import { type JobPurchase, listPurchases, purchaseOfCode } from './purchases.ts';

/** What makes lines: assemblies that are applied, typed lines, purchases, packages. */
export type LineMaker = 'use' | 'line' | 'purchase' | 'package';

/** What a line is of, by its maker. */
export interface MadeBy {
  readonly use: PlacedComponent;
  readonly line: Line;
  readonly purchase: JobPurchase;
  readonly package: Package;
}

/** One line as its maker gives it. */
export type LineOf = {
  readonly [Maker in LineMaker]: { readonly by: Maker; readonly made: MadeBy[Maker] };
}[LineMaker];

/** A priced line of whatever kind, with what its place in the estimate is. */
export interface LineAt {
  readonly key: LineKey;
  readonly sectionId: Id<'section'> | null;
  readonly alternate: PlaceInAlternate | undefined;
  /** Percent of tax in the place of the job's; undefined for the job's. */
  readonly taxPercent: string | undefined;
  readonly of: LineOf;
}

/**
 * One source of lines: which makers there are, what lines each has, and what is to be known of such a line. What has
 * money stands here once; whoever lists, names, codes or sums lines asks here.
 */
interface LineSource<Of, Given = Of> {
  /** The makers of the job, by id. */
  readonly list: (job: Job) => Iterable<string>;
  readonly linesOf: (job: Job, makerId: string) => readonly Given[];
  /** The maker of a line by the line's key; any text where it is none of this source's. */
  readonly makerOf: (job: Job, key: LineKey) => string;
  readonly place: (job: Job, of: Of) => Omit<LineAt, 'of'>;
  /** How a person knows the line. */
  readonly name: (of: Of) => string;
  readonly unit: (of: Of) => string;
  /** The price book's code it is priced by; empty for none, and for one that is sized. */
  readonly itemCode: (job: Job, of: Of) => string;
  /** Its own cost code; empty where its section's holds. */
  readonly costCode: (job: Job, of: Of) => string;
}

const one = <Of>(of: Of | undefined): readonly Of[] => (of === undefined ? [] : [of]);

/** Packages with one sum for all are a line of their own. */
export const isLumpSum = ({ by }: Package): boolean => by === 'sum';

const LINE_SOURCES: { readonly [Maker in LineMaker]: LineSource<MadeBy[Maker]> } = {
  use: {
    list: (job) => job.use.keys(),
    linesOf: (job, id) => one(job.use.get(id as Id<'use'>)).flatMap((use) => componentsOf(job, use)),
    // The key of a component begins with its use: `use:…/component/key`.
    makerOf: (_job, key) => key.split('/')[0] ?? '',
    place: (job, placed) => ({
      key: placed.key,
      sectionId: sectionOf(job, placed),
      alternate: alternateOf(job, placed),
      taxPercent: overrideOf(job, placed.key)?.taxPercent,
    }),
    name: ({ component, frame }) => `${component.name}, ${frame.scope.name}`,
    unit: ({ component }) => component.unit,
    itemCode: (job, { key, component }) => overrideOf(job, key)?.itemCode ?? component.itemCode,
    costCode: (job, placed) => costCodeOf(job, placed),
  },
  line: {
    list: (job) => job.line.keys(),
    // Texts and subtotals have no money of their own.
    linesOf: (job, id) => one(job.line.get(id as Id<'line'>)).filter(({ is }) => is === undefined),
    makerOf: (_job, key) => key,
    place: (_job, { id, sectionId, alternate, taxPercent }) => ({
      key: id,
      sectionId,
      alternate,
      taxPercent,
    }),
    name: ({ description }) => description,
    unit: ({ unit }) => unit,
    itemCode: (_job, { itemCode }) => itemCode,
    costCode: (_job, { costCode = '' }) => costCode,
  },
  purchase: {
    list: (job) => listPurchases(job).map(({ code }) => code),
    linesOf: (job, code) => one(purchaseOfCode(job, code)),
    makerOf: (job, key) => listPurchases(job).find((each) => each.key === key)?.code ?? '',
    place: (job, { key }) => ({
      key,
      sectionId: null,
      alternate: undefined,
      taxPercent: overrideOf(job, key)?.taxPercent,
    }),
    name: ({ name }) => name,
    unit: ({ unit }) => unit,
    itemCode: (_job, { code }) => code,
    costCode: (job, { key }) => overrideOf(job, key)?.costCode ?? '',
  },
  package: {
    list: (job) => job.package.keys(),
    linesOf: (job, id) => one(job.package.get(id as Id<'package'>)).filter(isLumpSum),
    makerOf: (_job, key) => key,
    place: (_job, { id, sectionId, alternate }) => ({ key: id, sectionId, alternate, taxPercent: undefined }),
    name: ({ name }) => name,
    unit: () => 'sum',
    itemCode: () => '',
    costCode: (_job, { costCode = '' }) => costCode,
  },
};

export const LINE_MAKERS = Object.keys(LINE_SOURCES) as readonly LineMaker[];

/** The source of a line; what it is given is what it gave. */
const sourceOf = ({ by }: LineOf): LineSource<never, unknown> => LINE_SOURCES[by];

export const nameOfLine = ({ of }: Pick<LineAt, 'of'>): string => sourceOf(of).name(of.made as never);
export const unitOfLine = ({ of }: Pick<LineAt, 'of'>): string => sourceOf(of).unit(of.made as never);
export const itemCodeOfLine = (job: Job, { of }: Pick<LineAt, 'of'>): string =>
  sourceOf(of).itemCode(job, of.made as never);
/** Its own code, else that of the section it stands in. */
export function costCodeOfLine(job: Job, { of, sectionId }: Pick<LineAt, 'of' | 'sectionId'>): string {
  const own = sourceOf(of).costCode(job, of.made as never);
  return own !== '' || sectionId === null ? own : (job.section.get(sectionId)?.code ?? '');
}

export const makersOf = (job: Job, by: LineMaker): Iterable<string> => LINE_SOURCES[by].list(job);

export const placeComponent = (job: Job, placed: PlacedComponent): LineAt => ({
  ...LINE_SOURCES.use.place(job, placed),
  of: { by: 'use', made: placed },
});

/** The lines of one maker, also those that do not count. */
export const linesOfMaker: (job: Job, by: LineMaker, makerId: string) => readonly LineAt[] = query(
  (job, by, makerId) => {
    const maker = by as LineMaker;
    const source: LineSource<never, unknown> = LINE_SOURCES[maker];
    return source
      .linesOf(job, makerId as string)
      .map((made): LineAt => ({ ...source.place(job, made as never), of: { by: maker, made } as LineOf }));
  },
);

/** The line of a key; undefined for one that is gone, and for what has no money. */
export function findLine(job: Job, key: LineKey): LineAt | undefined {
  for (const by of LINE_MAKERS) {
    const found = linesOfMaker(job, by, LINE_SOURCES[by].makerOf(job, key)).find((line) => line.key === key);
    if (found !== undefined) return found;
  }
  return undefined;
}

/** Whether a line stands elsewhere than under what was measured. */
export const standsApart = (job: Job, { of }: LineAt): boolean =>
  of.by === 'use' && standsInItsSection(job, of.made);
