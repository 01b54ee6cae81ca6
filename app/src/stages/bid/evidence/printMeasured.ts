import type { TapeRow } from '@zest/core/calculate/explain/tapeRows';
import { measureNode } from '@zest/core/calculate/graph/nodes';
import type { PrintedBlock, PrintedRow, PrintedTable } from '@zest/core/formats/document/printed';
import { MEASURE_DIMENSION, type MarkMeasure } from '@zest/core/job/measures';
import type { Sheet } from '@zest/core/job/records/sheet';
import type { EvidenceScope } from '@zest/core/reports/evidence';
import { checkError } from '@zest/core/takeoff/checkError';
import { ratioOfScale } from '@zest/core/takeoff/scale';
import { LENGTH } from '@zest/core/units/dimension';
import { formatQuantity, joinFigure } from '@zest/core/units/format';
import { formatNumber } from '@zest/core/units/numberFormat';
import { shortFailure } from '../../../messages/describeFailure.ts';
import { reportWordsOf } from '../../../messages/reportWords.ts';
import { t } from '../../../messages/t.ts';
import { MEASURE_WORDS } from '../../../messages/words.ts';
import type { Formats } from '../../../stores/context.tsx';
import {
  type EvidenceSource,
  SHEETS_KEY,
  boldRow,
  lineKey,
  pictureKey,
  row,
  scopeKey,
  words,
} from './evidenceSource.ts';

/** The marks of a scope on each sheet, numbered, and its tape. */
export function scopeBlocks(
  source: EvidenceSource,
  evidence: EvidenceScope,
  at: number,
): readonly PrintedBlock[] {
  const { pictures } = source;
  const { scope, parts, lines } = evidence;
  const head: PrintedBlock = {
    kind: 'table',
    key: scopeKey(at),
    heading: scope.name,
    keepsNext: true,
    table: {
      hasHead: false,
      columns: [{ heading: '', align: 'left', isWide: true }],
      rows: [
        row({
          text: t('bid.forLines', { count: lines.length, lines: lines.join(', ') }),
          link: lineKey(lines[0] ?? 0),
        }),
      ],
    },
  };
  const shown = parts.map(({ sheet }, part): PrintedBlock => {
    const key = pictureKey(at, part);
    const picture = pictures[key];
    const name = nameOfSheet(sheet);
    return {
      kind: 'picture',
      key,
      heading: '',
      picture: picture === undefined ? '' : key,
      ratio: picture === undefined ? 1 : picture.widthPx / picture.heightPx,
      // No higher than half of a page.
      widthPercent:
        picture === undefined ? 100 : Math.min(100, Math.round((picture.widthPx / picture.heightPx) * 65)),
      caption: t('bid.marksNumbered', { sheet: name }),
      words: picture === undefined ? t('bid.pictureIsNotThere', { name }) : name,
    };
  });
  return [
    head,
    ...shown,
    { kind: 'table', key: `${scopeKey(at)}_tape`, heading: '', table: tapeTable(source, evidence) },
  ];
}

const nameOfSheet = ({ number, title }: Sheet): string => `${number} ${title}`.trim();

/** More pieces than these are counted, not listed. */
const MOST_PIECES = 24;

function tapeTable({ figures, formats }: EvidenceSource, { scope, measures }: EvidenceScope): PrintedTable {
  const { job } = figures;
  const written = (row_: TapeRow | undefined, measure: MarkMeasure): string => {
    if (row_ === undefined) return '';
    if (row_.figure.failure !== undefined) return shortFailure(row_.figure.failure);
    return joinFigure(formatQuantity(row_.figure.value, MEASURE_DIMENSION[measure], formats.display));
  };
  const longest = measures.reduce((most, { rows }) => Math.max(most, rows.length), 0);
  const rows = Array.from({ length: longest }, (_, at): PrintedRow => {
    const [first] = measures.flatMap(({ rows: own }) => own[at] ?? []);
    const sheet = first?.sheetId === undefined ? undefined : job.sheet.get(first.sheetId);
    return row(
      words(first?.by === 'mark' ? String(first.number) : ''),
      sheet === undefined ? words('') : { text: sheet.number, link: SHEETS_KEY },
      words(first === undefined ? '' : aboutRow(first, formats)),
      ...measures.map(({ measure, rows: own }) => words(written(own[at], measure))),
    );
  });
  const totals = measures.map(({ measure }) => {
    const figure = figures.figure(measureNode(scope.id, measure));
    return words(
      figure.failure === undefined
        ? joinFigure(formatQuantity(figure.value, MEASURE_DIMENSION[measure], formats.display))
        : shortFailure(figure.failure),
    );
  });
  return {
    hasHead: true,
    columns: [
      { heading: t('bid.tapeNumber'), align: 'left', isWide: false },
      { heading: t('bid.sheet'), align: 'left', isWide: false },
      { heading: t('bid.tapePieces'), align: 'left', isWide: true },
      ...measures.map(({ measure }) => ({
        heading: MEASURE_WORDS[measure],
        align: 'right' as const,
        isWide: false,
      })),
    ],
    rows: [...rows, { ...boldRow(words(''), words(''), words(t('bid.inAll')), ...totals) }],
  };
}

/** The straight pieces of a mark, or what else a row of the tape stands for. */
function aboutRow(of: TapeRow, { display }: Formats): string {
  const times = of.times === 1 ? '' : t('bid.timesOnLevels', { times: of.times });
  switch (of.by) {
    case 'mark': {
      const lengths = of.pieces
        .slice(0, MOST_PIECES)
        .map(({ lengthM }) => joinFigure(formatQuantity(lengthM, LENGTH, display)));
      const more = of.pieces.length - lengths.length;
      const all = more > 0 ? [...lengths, t('bid.morePieces', { count: more })] : lengths;
      return [all.join(' + '), times].filter(Boolean).join(', ');
    }
    case 'opening':
      return [t('bid.openingInWall', { tag: of.tag }), times].filter(Boolean).join(', ');
    case 'typed':
      return t('bid.typedIn', { text: of.text });
    case 'shared':
      return t('bid.countedOnce');
  }
}

/** The scale of each sheet, who says so, and how it was checked. */
export function sheetBlock({ evidence, figures, formats }: EvidenceSource): readonly PrintedBlock[] {
  if (evidence.sheets.length === 0) return [];
  const say = reportWordsOf(figures.job).say;
  const from = {
    ratio: 'by-printed-scale',
    'two-points': 'by-two-points',
    'two-distances': 'by-two-distances',
  } as const;
  const rows = evidence.sheets.map((sheet) => {
    const { scale, check, printedScale } = sheet;
    const error = checkError(sheet);
    return row(
      words(nameOfSheet(sheet)),
      words(printedScale),
      words(scale === null ? '' : `1:${formatNumber(ratioOfScale(scale), 1, formats.numbers, true)}`),
      words(say(scale === null ? 'no-scale' : from[scale.source.by])),
      words(check === null ? say('not-checked') : `${say('checked')}: ${check.text}`),
      words(error === undefined ? '' : `${formatNumber(error * 100, 2, formats.numbers)} %`),
    );
  });
  const left = (heading: string, isWide = false): PrintedTable['columns'][number] => ({
    heading,
    align: 'left',
    isWide,
  });
  return [
    {
      kind: 'table',
      key: SHEETS_KEY,
      heading: '',
      table: {
        hasHead: true,
        columns: [
          left(t('bid.sheet'), true),
          left(t('bid.printedScale')),
          left(t('bid.scale')),
          left(t('bid.scaleFrom')),
          left(t('bid.scaleChecked')),
          { heading: t('bid.checkError'), align: 'right', isWide: false },
        ],
        rows,
      },
    },
  ];
}
