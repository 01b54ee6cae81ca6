import type { ZestjobProblem } from '@zest/core/formats/zestjob/problem';
import type { EntryProblem } from '@zest/core/formula/evaluateEntry';
import { describeTyped } from './describeTyped.ts';
import type { TypedProblem } from '@zest/core/formula/readTyped';
import type { ArithmeticFailure, FormulaProblem } from '@zest/core/formula/problem';
import type { FieldFault, JobProblem } from '@zest/core/job/problem';
import { unreachable } from '@zest/core/problem/result';
import type { ScaleProblem } from '@zest/core/takeoff/scale';
import { type Dimension, isNumber, sameDimension } from '@zest/core/units/dimension';
import { getUnit } from '@zest/core/units/unit';
import type { ImageProblem } from '@zest/core/formats/image/readImageSize';
import type { StoredProblem } from '../storage/storedJob.ts';
import type { PdfProblem } from '../workers/sheetProtocol.ts';

import type { JoinProblem } from '@zest/core/takeoff/joinSheets';
import { RECORD_WORDS, describeDimension, plural, fileSize } from './words.ts';

type DrawingProblem = PdfProblem | ImageProblem;

/** Problems of the browser and the app around a job. */
export type AppProblem =
  | { readonly kind: 'disk-full' }
  | { readonly kind: 'storage-failed' }
  | { readonly kind: 'job-missing' }
  | StoredProblem
  | { readonly kind: 'drawings-lost'; readonly name: string }
  | { readonly kind: 'read-only' }
  /** Changes made here, or in the other tab, that a take-over would leave behind. */
  | { readonly kind: 'takeover-own'; readonly count: number }
  | { readonly kind: 'takeover-theirs'; readonly count: number }
  | { readonly kind: 'save-lost'; readonly why: 'taken' | 'gone'; readonly count: number }
  | { readonly kind: 'copy-failed'; readonly reason: string }
  | { readonly kind: 'file-too-large'; readonly bytes: number; readonly limit: number }
  /** A file that was being read beside the page: too much of it, stopped by the person, or the worker died. */
  | { readonly kind: 'reading-ended'; readonly why: 'too-long' | 'canceled' | 'died' }
  /** A mistake of the program while figures followed a change, which was not made. */
  | { readonly kind: 'not-figured'; readonly label: string; readonly reason: string }
  | { readonly kind: 'clipboard' }
  | { readonly kind: 'worker-unknown'; readonly text: string }
  | { readonly kind: 'too-few-points'; readonly kindOfMark: 'run' | 'area' };

export type Problem =
  | JobProblem
  | FormulaProblem
  | TypedProblem
  | ArithmeticFailure
  | ScaleProblem
  | ZestjobProblem
  | DrawingProblem
  | JoinProblem
  | AppProblem;

const short = (text: string, limit = 60): string => (text.length > limit ? `${text.slice(0, limit)}…` : text);
const quote = (text: string): string => `‘${short(text)}’`;

/** What happened, to what, and what to do. One sentence or two, for every problem there is. */
export function describeProblem(problem: Problem): string {
  const { kind } = problem;
  if (kind.startsWith('formula-')) return describeFormula(problem as FormulaProblem);
  if (kind.startsWith('typed-')) return describeTyped(problem as TypedProblem);
  if (kind.startsWith('zestjob-')) return describeZestjob(problem as ZestjobProblem);
  if (kind.startsWith('pdf-') || kind.startsWith('image-')) return describeDrawing(problem as DrawingProblem);
  return describeOther(
    problem as Exclude<Problem, FormulaProblem | TypedProblem | ZestjobProblem | DrawingProblem>,
  );
}

/** For typed figures. */
export const describeEntry = (problem: EntryProblem): string => describeProblem(problem);

function describeFormula(problem: FormulaProblem): string {
  switch (problem.kind) {
    case 'formula-empty':
      return 'There is no formula yet. Type a figure or a formula.';
    case 'formula-too-long':
      return `The formula has ${problem.length} characters; ${problem.limit} are taken. Split it into properties with names.`;
    case 'formula-too-deep':
      return `The formula nests deeper than ${problem.limit} parentheses. Split it into properties with names.`;
    case 'formula-unexpected':
      return `${quote(problem.found)} does not fit here. An operator, a name or a figure is missing before it.`;
    case 'formula-unit-unknown':
      return `${quote(problem.unit)} isn’t a unit this program knows.${suggest(problem.near)}`;
    case 'formula-unfinished':
      return 'The formula isn’t finished: something is missing at the end.';
    case 'formula-unclosed':
      return 'This parenthesis isn’t closed. Add a ‘)’.';
    case 'formula-name-unknown':
      return `No match for ${quote(problem.name)} here.${suggest(problem.near)}`;
    case 'formula-function-unknown':
      return `There is no function ${quote(problem.name)}.${suggest(problem.near)}`;
    case 'formula-table-unknown':
      return `No table is called ${quote(problem.name)}.${suggest(problem.near)}`;
    case 'formula-column-unknown':
      return `The table ${problem.table} has no column ${quote(problem.name)}.${suggest(problem.near)}`;
    case 'formula-text':
      return 'Text in quotes only works in a filter, as in total(doors, width, level = "Upper floor").';
    case 'formula-filter-text':
      return `Only ${problem.known.join(', ')} can be compared with a quoted word, by = or !=.`;
    case 'formula-filter-measure':
      return `${problem.measure} comes from all the runs together, so it can’t be split by level, zone or sheet.`;
    case 'formula-total-mixed':
      return `Several scopes have ${quote(problem.measure)}, in units that cannot be added up. Name one scope, or give the properties different names.`;
    case 'formula-arguments':
      return `${problem.name} is written ${problem.usage}.`;
    case 'formula-dimension-add':
      return describeAdd(problem);
    case 'formula-dimension-argument':
      return describeArgument(problem);
    case 'formula-power':
      return 'Only a whole number can be the power of something with a unit.';
    case 'formula-condition':
      return 'Use a comparison such as ‘length > 3 ft’ here, and only here.';
    case 'formula-not-a-figure':
      return 'This is a comparison, but a number is needed here. Use if(condition, then, else).';
    case 'formula-dimension-result':
      return `This gives ${describeDimension(problem.found)}; ${describeDimension(problem.wanted)} is needed here.${
        isNumber(problem.found) ? ' Did you leave out the unit?' : ''
      }`;
    default:
      return unreachable(problem);
  }
}

const suggest = (near: readonly string[]): string =>
  near.length === 0 ? '' : ` Did you mean ${near.join(' or ')}?`;

function describeAdd(problem: FormulaProblem & { kind: 'formula-dimension-add' }): string {
  const { operator, left, right, leftText, rightText } = problem;
  const place = `${short(leftText, 30)} ${operator} ${short(rightText, 30)}`;
  const [a, b] = [describeDimension(left), describeDimension(right)];
  if (operator === '+') return `${place}: ${a} cannot be added to ${b}.`;
  if (operator === '-') return `${place}: ${b} cannot be taken from ${a}.`;
  return `${place}: ${a} cannot be compared with ${b}.`;
}

function describeArgument(problem: FormulaProblem & { kind: 'formula-dimension-argument' }): string {
  const found = problem.found === 'condition' ? 'a comparison' : describeDimension(problem.found);
  switch (problem.wanted) {
    case 'number':
      return `${problem.name} takes a plain number here, not ${found}. Divide by a unit, as in ${problem.name}(length / 1 ft).`;
    case 'same':
      return `${problem.name} compares like with like; ${found} does not fit with the rest.`;
    case 'condition':
      return `${problem.name} begins with a comparison, as in if(length > 3 ft, 1, 0).`;
    case 'square':
      return `The root of ${found} has no unit of its own. Take the root of an area or a plain number.`;
  }
}

function describeZestjob(problem: ZestjobProblem): string {
  switch (problem.kind) {
    case 'zestjob-empty':
      return 'The job file is empty. Export it again where it came from.';
    case 'zestjob-not-zip':
      return 'This isn’t a job file, or it is incomplete. Export or copy it again.';
    case 'zestjob-damaged':
      return `${problem.name === '' ? 'The job file' : quote(problem.name)} was damaged in transit. Copy or export the file again. Nothing was imported.`;
    case 'zestjob-unknown-entry':
      return `The job file holds ${quote(problem.name)}, which doesn’t belong in it. Export it again where it came from.`;
    case 'zestjob-too-large':
      return `The job file unpacks to more than ${fileSize(problem.limit)}. It was not opened, to keep this machine safe.`;
    case 'zestjob-no-job':
      return 'There is no job in this file: job.json is missing. Choose a file that ends in .zestjob.';
    case 'zestjob-not-json':
      return 'The job in this file is damaged and cannot be read. Export it again where it came from.';
    case 'zestjob-other-format':
      return 'This zip file isn’t a Zest Line job. Choose a file that ends in .zestjob.';
    case 'zestjob-newer':
      return `The job comes from a newer Zest Line (format ${problem.version}; this one reads up to ${problem.known}). Update Zest Line, then open it again.`;
    case 'zestjob-unknown-field':
      return `The job file has a field ${quote(problem.field)} that this program doesn’t know. Nothing was imported.`;
    case 'zestjob-record-type':
      return `Record ${problem.index + 1} of the job file is a ${quote(problem.type)}, which this program doesn’t know. Nothing was imported.`;
    case 'zestjob-record':
      return `Record ${problem.index + 1} of the job file was refused. ${describeProblem(problem.problem)}`;
    case 'zestjob-duplicate':
      return `The job file has ${quote(problem.id)} twice. Nothing was imported.`;
    case 'zestjob-settings':
      return `The job file has ${problem.count} settings records; a job has one. Nothing was imported.`;
    case 'zestjob-inconsistent':
      return `The job in this file contradicts itself. ${describeProblem(problem.problem)}`;
    case 'zestjob-snapshot':
      return `The snapshot ${quote(problem.name)} in the file is damaged. Export the job again where it came from.`;
    case 'zestjob-file-missing':
      return `The drawings ${quote(problem.name)} are missing from the job file. Export it again where it came from.`;
    case 'zestjob-file-size':
      return `The drawings ${quote(problem.name)} were cut off in the job file. Export it again where it came from.`;
    case 'zestjob-file-unpacks':
      return `The drawings ${quote(problem.name)} in the job file would unpack to more than ${fileSize(problem.limit)} in one piece. Nothing was imported. Take them out where the job came from, or print them to a new PDF.`;
    default:
      return unreachable(problem);
  }
}

function describeDrawing(problem: DrawingProblem): string {
  switch (problem.kind) {
    case 'pdf-empty':
      return 'The file is empty. Download or copy it again.';
    case 'image-unknown':
      return 'This isn’t a PNG, JPEG or TIFF.';
    case 'image-damaged':
      return 'The image is damaged or incomplete. Ask for it again.';
    case 'image-too-large':
      return `The scan is ${problem.width.toLocaleString('en-US')} by ${problem.height.toLocaleString('en-US')} pixels; the limit is ${Math.round(problem.limit / 1e6)} million. Scan it again at a lower resolution, or in parts.`;
    case 'pdf-not-pdf':
      return 'This isn’t a PDF, PNG, JPEG or TIFF. Add the drawings in one of these formats.';
    case 'pdf-damaged':
      return 'The PDF is damaged or incomplete and can’t be read. Download or copy it again.';
    case 'pdf-locked':
      return 'This PDF is password-protected. Save a copy without the password, then add that.';
    case 'pdf-no-pages':
      return 'The PDF has no pages.';
    case 'pdf-too-many-pages':
      return `The PDF has ${problem.pages.toLocaleString('en-US')} pages; up to ${problem.limit.toLocaleString('en-US')} can be added at once. Split it into smaller sets.`;
    case 'pdf-too-large':
      return `The PDF is ${fileSize(problem.bytes)}; the limit is ${fileSize(problem.limit)}. Split it into smaller sets.`;
    case 'pdf-unpacks-too-large':
      return `One piece of the PDF would unpack to more than ${fileSize(problem.limit)}, which no drawing needs. Print it to a new PDF and add that.`;
    default:
      return unreachable(problem);
  }
}

type Other = Exclude<Problem, FormulaProblem | TypedProblem | ZestjobProblem | DrawingProblem>;

const BOTH_UNITS: readonly (readonly [us: string, metric: string])[] = [
  ['in', 'mm'],
  ['in²', 'mm²'],
  ['yd³', 'm³'],
  ['lb', 'kg'],
  ['h', 'h'],
];

/** A figure in both systems, for a sentence that does not know which one the job is in. */
export function writePlain(value: number, dimension: Dimension): string {
  const round = (amount: number): string => String(Number(amount.toPrecision(5)));
  const found = BOTH_UNITS.find(([us]) => sameDimension(getUnit(us).dimension, dimension));
  if (found === undefined) return round(value);
  const [us, metric] = found.map((symbol) => `${round(value / getUnit(symbol).factor)} ${symbol}`);
  return us === metric ? (us ?? '') : `${us} (${metric})`;
}

function describeLookup(problem: ArithmeticFailure & { kind: 'lookup-none' }): string {
  const { table, column, mode, needed, least, largest, dimension } = problem;
  const [wanted, low, high] = [needed, least, largest].map((value) => writePlain(value, dimension));
  if (mode === 'exact') return `The table ${table} has no row whose ${column} is ${wanted}.`;
  if (needed > largest)
    return `${wanted} is beyond the last row of the table ${table}: its ${column} ends at ${high}. Add a row, or check the value you asked for.`;
  return `${wanted} is below the first row of the table ${table}: its ${column} begins at ${low}. Add a row, or check the value you asked for.`;
}

function describeOther(problem: Other): string {
  switch (problem.kind) {
    case 'divide-by-zero':
      return `${short(problem.text)} is zero here, and you can’t divide by zero.`;
    case 'root-of-negative':
      return `${short(problem.text)} is negative here, so it has no square root.`;
    case 'lookup-none':
      return describeLookup(problem);
    case 'lookup-no-row':
      return `The table ${problem.table} has no row ${quote(problem.wanted)}.`;
    case 'lookup-empty':
      return `The table ${problem.table} is empty. Add some rows.`;
    case 'assembly-inside-itself':
      return `${problem.name} would contain itself. Choose a different assembly.`;
    case 'name-in-use':
      return `${quote(problem.name)} is used by ${problem.users.slice(0, 4).join(', ')}${problem.users.length > 4 ? ` and ${problem.users.length - 4} more` : ''}. Change these first.`;
    case 'difficulty-in-use':
      return `${quote(problem.name)} is used in ${plural(problem.count, 'place')}. Remove it there first.`;
    case 'too-large':
      return `${short(problem.text)} is too large to calculate.`;
    case 'scale-not-read':
      return `${quote(problem.text)} isn’t a scale. Write 1/8" = 1'-0" or 1:100.`;
    case 'scale-out-of-range':
      return `A scale of ${quote(problem.text)} is far outside what drawings use. Check the two points and the distance.`;
    case 'join-too-few-points':
      return 'To join sheets, pick two points that both of them show. Click the second one on both sheets.';
    case 'join-points-coincide':
      return 'Both points are in the same spot on one sheet, so the other can’t be lined up. Undo one and pick another, far away.';
    case 'join-same-sheet':
      return 'Both sides show the same sheet. Choose a different sheet on one side.';
    case 'join-same-side':
      return 'Both sheets are on the same side of the line through the two points. Pick points on the match line, in the same order on both.';
    case 'join-too-large':
      return 'The joined sheet would be larger than any paper. Check that you picked the same points on both sheets.';
    case 'scale-one-way':
      return 'Both distances run in the same direction. Pick one across the sheet and one up it.';
    case 'scale-points-coincide':
      return 'The two points are in the same spot, or the distance is zero. Pick two points far apart.';
    case 'record-invalid':
      return describeField(RECORD_WORDS[problem.type] ?? problem.type, problem.field, problem.reason);
    case 'record-unknown-field':
      return `A ${RECORD_WORDS[problem.type] ?? problem.type} has a field ${quote(problem.field)} that this program doesn’t know.`;
    case 'record-missing-reference':
      return `A ${RECORD_WORDS[problem.type] ?? problem.type} still refers to ${quote(problem.missing)}, which doesn’t exist. Remove it first.`;
    case 'key-taken':
      return `The key ${quote(problem.key)} is already used by another scope. Choose a different one.`;
    case 'key-reserved':
      return `${quote(problem.key)} is a word of the formula language. Choose another key.`;
    case 'code-taken':
      return `The code ${quote(problem.code)} is already used by another item in the price book. Choose a different one.`;
    case 'record-gone':
      return 'This has been deleted since. Nothing was changed.';
    case 'opening-too-wide':
      return 'The opening is wider than its wall. Make it narrower, or put it in a longer wall.';
    case 'section-inside-itself':
      return `Section ${quote(problem.name)} can’t be inside itself.`;
    case 'assembly-in-use':
      return `${quote(problem.name)} is used by ${problem.scopes.map(quote).join(', ')}. Remove it there first.`;
    case 'section-in-use':
      return `Section ${quote(problem.name)} holds ${plural(problem.count, 'section')}. Move or remove them first.`;
    case 'craft-in-use':
      return `${quote(problem.name)} is used by ${plural(problem.count, 'item or crew', 'items and crews')}. Give them another craft first.`;
    case 'crew-in-use':
      return `Crew ${quote(problem.name)} does ${plural(problem.count, 'item or line', 'items and lines')}. Give them another crew first.`;
    case 'margin-too-large':
      return `${quote(problem.name)} is a margin of the price, so it has to be below 100 %.`;
    case 'disk-full':
      return 'The disk is full, so the last changes aren’t saved. Free up some space and try again, or export the job now.';
    case 'copy-failed':
      return `The copy of the job could not be written to the folder${problem.reason === '' ? '' : ` (${problem.reason})`}. The job itself is saved in the browser. Check that the folder is still there and has room, then try again.`;
    case 'storage-failed':
      return 'The browser couldn’t save the last changes. They are still here: try again, or export the job now.';
    case 'job-unreadable':
      return `This job could not be opened: its settings are ${problem.settings === 0 ? 'missing' : 'there more than once'}. What is stored of it was left as it is. Open the last file you saved of it, or a copy from your backup folder.`;
    case 'records-newer':
      return `A newer version of Zest Line saved this job (format ${problem.version}; this one reads up to ${problem.known}). Reload the page to update, then open it again. Nothing was changed.`;
    case 'job-missing':
      return 'This job isn’t in this browser. It may have been deleted. To get it back, import its .zestjob file.';
    case 'drawings-lost':
      return `The drawings ${quote(problem.name)} aren’t in this browser. Remove their sheets or add the drawings again, then export.`;
    case 'read-only':
      return 'This job is open in another tab. You can follow it here; to make changes, choose Edit here.';
    case 'takeover-own':
      return `${plural(problem.count, 'change')} made in this tab ${problem.count === 1 ? 'was' : 'were'} never saved. Export the job to keep ${problem.count === 1 ? 'it' : 'them'}, then choose Edit here.`;
    case 'takeover-theirs':
      return `The other tab has ${plural(problem.count, 'change')} it can’t save. Export the job there first; editing here loses ${problem.count === 1 ? 'it' : 'them'}.`;
    case 'save-lost':
      return problem.why === 'taken'
        ? `Another tab took this job before ${plural(problem.count, 'change')} made here could be saved. Export the job to keep ${problem.count === 1 ? 'it' : 'them'}.`
        : `This job was removed from this browser. ${plural(problem.count, 'change')} made here can’t be saved. Export the job to keep it.`;
    case 'file-too-large':
      return `The file is ${fileSize(problem.bytes)}; the limit is ${fileSize(problem.limit)}.`;
    case 'reading-ended':
      return problem.why === 'canceled'
        ? 'Reading was stopped. Nothing was imported.'
        : `Reading ${problem.why === 'too-long' ? 'took too long and was stopped' : 'stopped: the file asks for more than this browser has'}. Nothing was imported. Split the file, or save it in a simpler format.`;
    case 'not-figured':
      return `Something went wrong with ‘${short(problem.label, 80)}’, so nothing was changed (${short(problem.reason, 120)}). Export the job to be safe, then reload the page.`;
    case 'clipboard':
      return 'The browser blocked the clipboard. Allow it for this page, or use Ctrl+C and Ctrl+V.';
    case 'worker-unknown':
      return `There is no craft or crew called ${quote(problem.text)}. Add it under Prices, Labor and regions.`;
    case 'too-few-points':
      return problem.kindOfMark === 'run' ? 'A run needs two points.' : 'An area needs three points.';
    default:
      return unreachable(problem);
  }
}

function describeField(owner: string, field: string, reason: FieldFault): string {
  const what = `The ${FIELD_WORDS[field.split('.').at(-1) ?? ''] ?? (field || 'record')} of the ${owner}`;
  switch (reason.fault) {
    case 'empty':
      return `${what} is empty. Type something.`;
    case 'too-long':
      return `${what} is too long; the limit is ${reason.limit.toLocaleString('en-US')} characters.`;
    case 'too-large':
      return `${what} is above ${reason.limit.toLocaleString('en-US')}.`;
    case 'too-small':
      return `${what} is below ${reason.limit.toLocaleString('en-US')}.`;
    case 'not-as-expected':
      return `${what} isn’t valid. Check what you typed.`;
  }
}

const FIELD_WORDS: Readonly<Record<string, string>> = {
  name: 'name',
  key: 'key',
  title: 'title',
  number: 'number',
  description: 'description',
  code: 'code',
  unit: 'unit',
  wage: 'wage',
  percent: 'percentage',
  wastePercent: 'waste',
  roundUpTo: 'round-up',
  material: 'material cost',
  equipment: 'equipment cost',
  subcontract: 'subcontract cost',
  laborHours: 'hours',
  basis: 'price basis',
  amount: 'cost',
  question: 'question',
  taxOnMaterials: 'tax rate',
};
