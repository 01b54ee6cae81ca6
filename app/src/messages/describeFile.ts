import type { ImageProblem } from '@zest/core/formats/image/read';
import type { ZestjobProblem } from '@zest/core/formats/zestjob/problem';
import { unreachable } from '@zest/core/problem/result';
import type { PdfProblem } from '../workers/sheetProtocol.ts';
import { quote } from './quote.ts';
import { t } from './t.ts';
import { fileSize } from './words.ts';

/** How the problem inside another is described. */
type Describe = (problem: Extract<ZestjobProblem, { readonly problem: unknown }>['problem']) => string;

export type DrawingProblem = PdfProblem | ImageProblem;

/** What is wrong with a job file. */
export function describeZestjob(problem: ZestjobProblem, describe: Describe): string {
  switch (problem.kind) {
    case 'zestjob-empty':
      return t('problem.theJobFileIsEmptyExportIt');
    case 'zestjob-not-zip':
      return t('problem.thisIsntAJobFileOrIt');
    case 'zestjob-damaged':
      return problem.name === ''
        ? t('problem.jobFileWasDamaged')
        : t('problem.entryWasDamaged', { name: quote(problem.name) });
    case 'zestjob-unknown-entry':
      return t('problem.theJobFileHoldsWhichDoesntBelong', { name: quote(problem.name) });
    case 'zestjob-too-large':
      return t('problem.theJobFileUnpacksToMoreThan', { limit: fileSize(problem.limit) });
    case 'zestjob-no-job':
      return t('problem.thereIsNoJobInThisFile');
    case 'zestjob-not-json':
      return t('problem.theJobInThisFileIsDamaged');
    case 'zestjob-other-format':
      return t('problem.thisZipFileIsntAZestLine');
    case 'zestjob-newer':
      return t('problem.theJobComesFromANewerZest', { version: problem.version, known: problem.known });
    case 'zestjob-unknown-field':
      return t('problem.theJobFileHasAFieldThat', { field: quote(problem.field) });
    case 'zestjob-record-type':
      return t('problem.recordOfTheJobFileIsA', { place: problem.index + 1, type: quote(problem.type) });
    case 'zestjob-record':
      return t('problem.recordOfTheJobFileWasRefused', {
        place: problem.index + 1,
        problem: describe(problem.problem),
      });
    case 'zestjob-duplicate':
      return t('problem.theJobFileHasTwiceNothingWas', { id: quote(problem.id) });
    case 'zestjob-settings':
      return t('problem.theJobFileHasSettingsRecordsA', { number: problem.count });
    case 'zestjob-inconsistent':
      return t('problem.theJobInThisFileContradictsItself', { problem: describe(problem.problem) });
    case 'zestjob-snapshot':
      return t('problem.theSnapshotInTheFileIsDamaged', { name: quote(problem.name) });
    case 'zestjob-file-missing':
      return t('problem.theDrawingsAreMissingFromTheJob', { name: quote(problem.name) });
    case 'zestjob-file-size':
      return t('problem.theDrawingsWereCutOffInThe', { name: quote(problem.name) });
    case 'zestjob-file-unpacks':
      return t('problem.theDrawingsInTheJobFileWould', {
        name: quote(problem.name),
        limit: fileSize(problem.limit),
      });
    default:
      return unreachable(problem);
  }
}

/** What is wrong with a file of drawings. */
export function describeDrawing(problem: DrawingProblem): string {
  switch (problem.kind) {
    case 'pdf-empty':
      return t('problem.theFileIsEmptyDownloadOrCopy');
    case 'image-unknown':
      return t('problem.thisIsntAPngJpegOrTiff');
    case 'image-damaged':
      return t('problem.theImageIsDamagedOrIncompleteAsk');
    case 'image-too-large':
      return t('problem.theScanIsByPixelsTheLimit', {
        value: problem.width.toLocaleString('en-US'),
        value2: problem.height.toLocaleString('en-US'),
        number: Math.round(problem.limit / 1e6),
      });
    case 'pdf-not-pdf':
      return t('problem.thisIsntAPdfPngJpegOr');
    case 'pdf-damaged':
      return t('problem.thePdfIsDamagedOrIncompleteAnd');
    case 'pdf-locked':
      return t('problem.thisPdfIsPasswordProtectedSaveA');
    case 'pdf-no-pages':
      return t('problem.thePdfHasNoPages');
    case 'pdf-too-many-pages':
      return t('problem.thePdfHasPagesUpToCan', {
        value: problem.pages.toLocaleString('en-US'),
        value2: problem.limit.toLocaleString('en-US'),
      });
    case 'pdf-too-large':
      return t('problem.thePdfIsTheLimitIsSplit', {
        bytes: fileSize(problem.bytes),
        limit: fileSize(problem.limit),
      });
    case 'pdf-unpacks-too-large':
      return t('problem.onePieceOfThePdfWouldUnpack', { limit: fileSize(problem.limit) });
    default:
      return unreachable(problem);
  }
}
