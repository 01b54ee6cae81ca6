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
      return `${quote(problem.unit)} is no unit that is known here.${suggest(problem.near)}`;
    case 'formula-unfinished':
      return 'The formula stops too early. Something is missing at its end.';
    case 'formula-unclosed':
      return 'This parenthesis is never closed. Add a ‘)’.';
    case 'formula-name-unknown':
      return `Nothing is called ${quote(problem.name)} here.${suggest(problem.near)}`;
    case 'formula-function-unknown':
      return `There is no function ${quote(problem.name)}.${suggest(problem.near)}`;
    case 'formula-table-unknown':
      return `No table is called ${quote(problem.name)}.${suggest(problem.near)}`;
    case 'formula-column-unknown':
      return `The table ${problem.table} has no column ${quote(problem.name)}.${suggest(problem.near)}`;
    case 'formula-text':
      return 'A quoted word stands in a filter only, as in total(doors, width, level = "Upper floor").';
    case 'formula-filter-text':
      return `Only ${problem.known.join(', ')} can be compared with a quoted word, by = or !=.`;
    case 'formula-filter-measure':
      return `${problem.measure} is a matter of all runs together and cannot be told apart by level, zone or sheet.`;
    case 'formula-total-mixed':
      return `Several scopes have ${quote(problem.measure)}, in units that cannot be added up. Name one scope, or give the properties different names.`;
    case 'formula-arguments':
      return `${problem.name} is written ${problem.usage}.`;
    case 'formula-dimension-add':
      return describeAdd(problem);
    case 'formula-dimension-argument':
      return describeArgument(problem);
    case 'formula-power':
      return 'A power needs a plain whole number where its base has a unit.';
    case 'formula-condition':
      return 'A comparison such as ‘length > 3 ft’ does not fit here, or is missing.';
    case 'formula-not-a-figure':
      return 'This is a comparison; a figure is wanted. Use if(condition, then, else).';
    case 'formula-dimension-result':
      return `This gives ${describeDimension(problem.found)}; ${describeDimension(problem.wanted)} is wanted here.${
        isNumber(problem.found) ? ' Is a unit missing?' : ''
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
      return 'This is not a job file, or it was cut off on the way. Export or copy it again.';
    case 'zestjob-damaged':
      return `${problem.name === '' ? 'The job file' : quote(problem.name)} was damaged on its way: it isn't what was written. Copy or export the file again. Nothing was imported.`;
    case 'zestjob-unknown-entry':
      return `The job file holds ${quote(problem.name)}, which doesn't belong in it. Export it again where it came from.`;
    case 'zestjob-too-large':
      return `The job file unpacks to more than ${fileSize(problem.limit)}. It was not opened, to keep this machine safe.`;
    case 'zestjob-no-job':
      return 'There is no job in this file: job.json is missing. Choose a file that ends in .zestjob.';
    case 'zestjob-not-json':
      return 'The job in this file is damaged and cannot be read. Export it again where it came from.';
    case 'zestjob-other-format':
      return 'This zip holds something else than a Zest Line job. Choose a file that ends in .zestjob.';
    case 'zestjob-newer':
      return `The job comes from a newer Zest Line (format ${problem.version}; this one reads up to ${problem.known}). Update Zest Line, then open it again.`;
    case 'zestjob-unknown-field':
      return `The job file has a field ${quote(problem.field)} that is not known. Nothing was taken over.`;
    case 'zestjob-record-type':
      return `Record ${problem.index + 1} of the job file is a ${quote(problem.type)}, which is not known. Nothing was taken over.`;
    case 'zestjob-record':
      return `Record ${problem.index + 1} of the job file was refused. ${describeProblem(problem.problem)}`;
    case 'zestjob-duplicate':
      return `The job file has ${quote(problem.id)} twice. Nothing was taken over.`;
    case 'zestjob-settings':
      return `The job file has ${problem.count} settings records; a job has one. Nothing was taken over.`;
    case 'zestjob-inconsistent':
      return `The job in this file does not hold together. ${describeProblem(problem.problem)}`;
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
      return 'This is no PNG, JPEG or TIFF.';
    case 'image-damaged':
      return 'The image is damaged or was cut off. Ask for it again.';
    case 'image-too-large':
      return `The scan is ${problem.width.toLocaleString('en-US')} by ${problem.height.toLocaleString('en-US')} pixels; up to ${Math.round(problem.limit / 1e6)} million pixels are taken. Scan it again at a lower resolution, or in parts.`;
    case 'pdf-not-pdf':
      return 'This is not a PDF, nor a PNG, JPEG or TIFF. Choose the drawings in one of these.';
    case 'pdf-damaged':
      return 'The PDF is damaged or was cut off, and cannot be read. Download or copy it again.';
    case 'pdf-locked':
      return 'The PDF is locked with a password. Save a copy without the password and add that.';
    case 'pdf-no-pages':
      return 'The PDF has no pages.';
    case 'pdf-too-many-pages':
      return `The PDF has ${problem.pages.toLocaleString('en-US')} pages; up to ${problem.limit.toLocaleString('en-US')} are taken at once. Split it into smaller sets.`;
    case 'pdf-too-large':
      return `The PDF is ${fileSize(problem.bytes)}; up to ${fileSize(problem.limit)} are taken. Split it into smaller sets.`;
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
    return `${wanted} is beyond the last row of the table ${table}: its ${column} ends at ${high}. Add a row, or look again at what is asked for.`;
  return `${wanted} is below the first row of the table ${table}: its ${column} begins at ${low}. Add a row, or look again at what is asked for.`;
}

function describeOther(problem: Other): string {
  switch (problem.kind) {
    case 'divide-by-zero':
      return `${short(problem.text)} is zero here, and nothing can be divided by zero.`;
    case 'root-of-negative':
      return `${short(problem.text)} is negative here and has no root.`;
    case 'lookup-none':
      return describeLookup(problem);
    case 'lookup-no-row':
      return `The table ${problem.table} has no row ${quote(problem.wanted)}.`;
    case 'lookup-empty':
      return `The table ${problem.table} has no rows to look in. Add some.`;
    case 'assembly-inside-itself':
      return `${problem.name} would stand inside itself. Choose another assembly for the inside.`;
    case 'name-in-use':
      return `${quote(problem.name)} is used by ${problem.users.slice(0, 4).join(', ')}${problem.users.length > 4 ? ` and ${problem.users.length - 4} more` : ''}. Change these first.`;
    case 'difficulty-in-use':
      return `${quote(problem.name)} is chosen in ${plural(problem.count, 'place')}. Take it off there first.`;
    case 'too-large':
      return `${short(problem.text)} gives a figure too large to hold.`;
    case 'scale-not-read':
      return `${quote(problem.text)} was not understood as a scale. Write 1/8" = 1'-0" or 1:100.`;
    case 'scale-out-of-range':
      return `A scale of ${quote(problem.text)} is not one that drawings have. Check the two points and the distance.`;
    case 'join-too-few-points':
      return 'A join takes two places that both sheets show. Click the second on both.';
    case 'join-points-coincide':
      return 'The two places are the same one on a sheet, so nothing says how to turn it. Take one of them back and pick another, far away.';
    case 'join-same-sheet':
      return 'Both panes show the same sheet. Choose the other half on one side.';
    case 'join-same-side':
      return 'Both sheets lie on the same side of the line through the two places. Pick places on the match line, in the same order on both sheets.';
    case 'join-too-large':
      return 'The joined sheet would be larger than any paper. Check that the places are the same on both sheets.';
    case 'scale-one-way':
      return 'Both distances run the same way. Pick one across the sheet and one up it.';
    case 'scale-points-coincide':
      return 'The two points are in one place, or the distance is zero. Pick two points far apart.';
    case 'record-invalid':
      return describeField(RECORD_WORDS[problem.type] ?? problem.type, problem.field, problem.reason);
    case 'record-unknown-field':
      return `A ${RECORD_WORDS[problem.type] ?? problem.type} has a field ${quote(problem.field)} that is not known.`;
    case 'record-missing-reference':
      return `A ${RECORD_WORDS[problem.type] ?? problem.type} still points at ${quote(problem.missing)}, which is not there. Remove it first.`;
    case 'key-taken':
      return `The key ${quote(problem.key)} is taken by another scope. Choose another.`;
    case 'key-reserved':
      return `${quote(problem.key)} is a word of the formula language. Choose another key.`;
    case 'code-taken':
      return `The code ${quote(problem.code)} is taken by another item of the price book. Choose another.`;
    case 'record-gone':
      return 'This was removed in the meantime. Nothing was changed.';
    case 'opening-too-wide':
      return 'The opening is wider than the wall it sits in. Give it a smaller width, or place it in a longer wall.';
    case 'section-inside-itself':
      return `Section ${quote(problem.name)} cannot stand inside itself.`;
    case 'assembly-in-use':
      return `${quote(problem.name)} is used by ${problem.scopes.map(quote).join(', ')}. Take it off there first.`;
    case 'section-in-use':
      return `Section ${quote(problem.name)} holds ${plural(problem.count, 'section')}. Move or remove them first.`;
    case 'craft-in-use':
      return `${quote(problem.name)} is used by ${plural(problem.count, 'item')} of the price book or crews. Give them another craft first.`;
    case 'crew-in-use':
      return `Crew ${quote(problem.name)} does ${plural(problem.count, 'item or line', 'items and lines')}. Give them another crew first.`;
    case 'margin-too-large':
      return `${quote(problem.name)} is a margin of the price, so it must be below 100 %.`;
    case 'disk-full':
      return 'The disk is full: the last changes are not saved. Free some space, then try again; or export the job now.';
    case 'copy-failed':
      return `The copy of the job could not be written to the folder${problem.reason === '' ? '' : ` (${problem.reason})`}. The job itself is saved in the browser. Check that the folder is still there and has room, then try again.`;
    case 'storage-failed':
      return 'The browser refused to save the last changes. They are still here: try again, or export the job now.';
    case 'job-unreadable':
      return `This job could not be opened: its settings are ${problem.settings === 0 ? 'missing' : 'there more than once'}. What is stored of it was left as it is. Open the last file you saved of it, or a copy from your backup folder.`;
    case 'records-newer':
      return `A newer version of Zest Line saved this job (format ${problem.version}; this one reads up to ${problem.known}). Reload the page to update, then open it again. Nothing was changed.`;
    case 'job-missing':
      return 'This job is not kept in this browser. It may have been deleted; import its .zestjob file to have it back.';
    case 'drawings-lost':
      return `The drawings ${quote(problem.name)} are not kept in this browser. Remove their sheets, or add the drawings again; then export.`;
    case 'read-only':
      return 'This job is open in another tab. Take over here to change it.';
    case 'takeover-own':
      return `${plural(problem.count, 'change')} made in this tab ${problem.count === 1 ? 'was' : 'were'} never saved. Export the job to keep ${problem.count === 1 ? 'it' : 'them'}, then take over.`;
    case 'takeover-theirs':
      return `The other tab has ${plural(problem.count, 'change')} it can't save. Export the job there first; taking over leaves ${problem.count === 1 ? 'it' : 'them'} behind.`;
    case 'save-lost':
      return problem.why === 'taken'
        ? `Another tab took over before ${plural(problem.count, 'change')} made here could be saved. Export the job to keep ${problem.count === 1 ? 'it' : 'them'}.`
        : `This job was removed from this browser. ${plural(problem.count, 'change')} made here can't be saved. Export the job to keep it.`;
    case 'file-too-large':
      return `The file is ${fileSize(problem.bytes)}; up to ${fileSize(problem.limit)} are taken.`;
    case 'reading-ended':
      return problem.why === 'canceled'
        ? 'Reading was stopped. Nothing was imported.'
        : `Reading ${problem.why === 'too-long' ? 'took too long and was stopped' : 'stopped: the file asks for more than this browser has'}. Nothing was imported. Split the file, or save it in a simpler form.`;
    case 'not-figured':
      return `The program made a mistake over ‘${short(problem.label, 80)}’, so nothing was changed (${short(problem.reason, 120)}). Export the job to have it in a file, then reload the page.`;
    case 'clipboard':
      return 'The browser did not allow the clipboard. Allow it for this page, or use the keys.';
    case 'worker-unknown':
      return `No craft and no crew is called ${quote(problem.text)}. Add it under Prices, Labor and regions.`;
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
      return `${what} is empty. Type one.`;
    case 'too-long':
      return `${what} is too long; up to ${reason.limit.toLocaleString('en-US')} characters are taken. Shorten it.`;
    case 'too-large':
      return `${what} is above ${reason.limit.toLocaleString('en-US')}.`;
    case 'too-small':
      return `${what} is below ${reason.limit.toLocaleString('en-US')}.`;
    case 'not-as-expected':
      return `${what} was not understood. Check what was typed.`;
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
