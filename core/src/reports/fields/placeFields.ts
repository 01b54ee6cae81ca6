import { checkError } from '../../takeoff/checkError.ts';
import { ratioOfScale } from '../../takeoff/scale.ts';
import { paperOf } from '../../takeoff/paper.ts';
import { type Job, inOrder } from '../../job/job.ts';
import { innerSections } from '../../job/belongs.ts';
import { query } from '../../job/query.ts';
import type { Level } from '../../job/records/level.ts';
import type { Section } from '../../job/records/section.ts';
import type { Sheet } from '../../job/records/sheet.ts';
import type { Zone } from '../../job/records/zone.ts';
import { sectionsAround } from '../../estimate/places.ts';
import { type Cell, textCell } from '../cell.ts';
import type { Field, ReportContext, ReportWord } from './field.ts';

/** Where each section stands when the estimate is read from top to bottom. */
const placeOfSections = query((job): ReadonlyMap<string, number> => {
  const places = new Map<string, number>();
  const visit = (parent: string): void => {
    const ids = innerSections(job, parent);
    for (const { id } of inOrder(ids.flatMap((each) => job.section.get(each) ?? []))) {
      places.set(id, places.size + 1);
      visit(id);
    }
  };
  visit('');
  return places;
});

const sectionText = (job: Job, { id, code, name }: Section): Cell =>
  textCell([code, name].filter((part) => part !== '').join(' '), placeOfSections(job).get(id) ?? 0);

/** The outermost section around one. */
function topOf(job: Job, { id }: Section): Section | undefined {
  const top = sectionsAround(job, id).at(-1);
  return top === undefined ? undefined : job.section.get(top);
}

/** What can be known of a section. */
export const SECTION_FIELDS = {
  title: { kind: 'text', read: (section, { figures }) => sectionText(figures.job, section) },
  name: {
    kind: 'text',
    read: ({ id, name }, { figures }) => textCell(name, placeOfSections(figures.job).get(id) ?? 0),
  },
  code: { kind: 'text', read: ({ code }) => textCell(code) },
  top: {
    kind: 'text',
    read: (section, { figures }) => {
      const top = topOf(figures.job, section);
      return top === undefined ? undefined : sectionText(figures.job, top);
    },
  },
} as const satisfies Readonly<Record<string, Field<Section>>>;

const SCALE_BY: Readonly<Record<NonNullable<Sheet['scale']>['source']['by'], ReportWord>> = {
  ratio: 'by-printed-scale',
  'two-points': 'by-two-points',
  'two-distances': 'by-two-distances',
};

function checkedWords({ check }: Sheet, { words }: ReportContext): string {
  return check === null ? words.say('not-checked') : `${words.say('checked')}: ${check.text}`;
}

/** What can be known of a sheet. */
export const SHEET_FIELDS = {
  number: { kind: 'text', read: ({ number, title, order }) => textCell(number || title, order) },
  title: { kind: 'text', read: ({ title }) => textCell(title) },
  discipline: { kind: 'text', read: ({ discipline = '' }) => textCell(discipline) },
  file: {
    kind: 'text',
    read: ({ fileId }, { figures }) => textCell(figures.job.file.get(fileId)?.name ?? ''),
  },
  page: { kind: 'number', read: ({ pageIndex }) => ({ kind: 'number', value: pageIndex + 1 }) },
  paper: { kind: 'text', read: ({ widthPt, heightPt }) => textCell(paperOf(widthPt, heightPt) ?? '') },
  printed_scale: { kind: 'text', read: ({ printedScale }) => textCell(printedScale) },
  scale: {
    kind: 'text',
    read: ({ scale }) =>
      scale === null ? undefined : textCell(`1:${Math.round(ratioOfScale(scale) * 10) / 10}`),
  },
  scale_from: {
    kind: 'text',
    read: ({ scale }, { words }) =>
      textCell(words.say(scale === null ? 'no-scale' : SCALE_BY[scale.source.by])),
  },
  checked: { kind: 'text', read: (sheet, context) => textCell(checkedWords(sheet, context)) },
  check_error: {
    kind: 'percent',
    read: (sheet) => {
      const error = checkError(sheet);
      return error === undefined ? undefined : { kind: 'percent', value: error * 100 };
    },
  },
  marks: {
    kind: 'number',
    read: ({ id }, { figures }) => ({ kind: 'number', value: marksOnSheets(figures.job).get(id) ?? 0 }),
  },
} as const satisfies Readonly<Record<string, Field<Sheet>>>;

const marksOnSheets = query((job): ReadonlyMap<string, number> => {
  const marks = new Map<string, number>();
  for (const { sheetId } of job.mark.values()) marks.set(sheetId, (marks.get(sheetId) ?? 0) + 1);
  return marks;
});

export const LEVEL_FIELDS = {
  name: { kind: 'text', read: ({ name, order }) => textCell(name, order) },
  repeat: { kind: 'number', read: ({ repeat }) => ({ kind: 'number', value: repeat }) },
} as const satisfies Readonly<Record<string, Field<Level>>>;

export const ZONE_FIELDS = {
  name: { kind: 'text', read: ({ name, order }) => textCell(name, order) },
  repeat: { kind: 'number', read: ({ repeat }) => ({ kind: 'number', value: repeat }) },
} as const satisfies Readonly<Record<string, Field<Zone>>>;
