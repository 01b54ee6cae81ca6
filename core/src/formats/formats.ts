import { ASSEMBLIES } from './assemblies/descriptor.ts';
import { DOCX } from './document/descriptor.ts';
import type { FormatDescriptor, FormatTarget } from './format.ts';
import { IMAGE, LOGO, PICTURE } from './image/descriptor.ts';
import { DXF, GEOJSON } from './marks/descriptor.ts';
import { OWN_WORKBOOK } from './ownWorkbook/descriptor.ts';
import { PDF } from './pdf/descriptor.ts';
import { PRICE_LIST } from './prices/descriptor.ts';
import { REPORT_HTML, REPORT_PRESET, REPORT_XML } from './report/descriptor.ts';
import { FILLED_REQUEST } from './request/descriptor.ts';
import { TABLE } from './table/descriptor.ts';
import { UBL_ORDER } from './ubl/descriptor.ts';
import { WORKBOOK } from './workbook/descriptor.ts';
import { ZESTJOB_FORMAT } from './zestjob/descriptor.ts';

/** Every kind of file that is read or written. A new one is a folder with its descriptor, and a line here. */
export const FORMATS: readonly FormatDescriptor[] = [
  PDF,
  IMAGE,
  LOGO,
  PICTURE,
  ZESTJOB_FORMAT,
  PRICE_LIST,
  ASSEMBLIES,
  TABLE,
  DXF,
  GEOJSON,
  WORKBOOK,
  OWN_WORKBOOK,
  REPORT_PRESET,
  REPORT_HTML,
  REPORT_XML,
  DOCX,
  FILLED_REQUEST,
  UBL_ORDER,
];

/** The kinds of file that are taken in at one place. */
export const formatsTakenBy = (target: FormatTarget): readonly FormatDescriptor[] =>
  FORMATS.filter(({ takenBy }) => takenBy === target);

/** What the dialog for files offers at one place: endings, and kinds for systems that go by these. */
export const acceptOf = (target: FormatTarget): string =>
  formatsTakenBy(target)
    .flatMap(({ extensions, mediaTypes }) => [...extensions, ...mediaTypes])
    .join(',');

/** The largest file that is taken in at one place. */
export const bytesTakenBy = (target: FormatTarget): number =>
  Math.max(...formatsTakenBy(target).map(({ bytes = 0 }) => bytes));
