import { evaluateEntry } from '@zest/core/formula/evaluateEntry';
import { describeProblem } from '../messages/describeProblem.ts';
import { type Point, distance } from '@zest/core/geometry/point';
import { put } from '@zest/core/job/change';
import { type Job, settingsOf } from '@zest/core/job/job';
import type { Mark } from '@zest/core/job/records/mark';
import type { Opening } from '@zest/core/job/records/opening';
import type { Scope } from '@zest/core/job/records/scope';
import type { Sheet } from '@zest/core/job/records/sheet';
import type { Zone } from '@zest/core/job/records/zone';
import { knownValue } from '@zest/core/calculate/define';
import { propertyNode } from '@zest/core/calculate/graph/nodes';
import { type OpeningRow, listOpeningRows } from '@zest/core/takeoff/openingRows';
import { seatAt } from '@zest/core/takeoff/seat';
import { worldDistance } from '@zest/core/geometry/ground';
import { scaleAt } from '@zest/core/job/scaleAt';
import { findDefaultUnit } from '@zest/core/units/format';
import { LENGTH } from '@zest/core/units/dimension';
import { newScope } from '../stages/measure/newScope.ts';
import { type Stores, formatsOf } from '../stores/context.tsx';
import { type TypedPiece, placeTypedAt } from './tools/draw.ts';
import type { Strokes } from './tools/edit.ts';
import { t } from '../messages/t.ts';

/** The scope in hand where it is measured in this way; undefined where the pen has none that was chosen. */
export function chosenScope(
  { jobs, view }: Pick<Stores, 'jobs' | 'view'>,
  kind: Mark['kind'],
): Scope | undefined {
  const inHand = jobs.getState().open?.job.scope.get(view.getState().penScope as Scope['id']);
  return inHand?.kind === kind ? inHand : undefined;
}

/**
 * The scope that a mark goes to: the one in hand, else a new one. Nothing ever goes to a scope that was there
 * and that nobody chose.
 */
export function scopeFor(stores: Stores, kind: Mark['kind']): Scope | undefined {
  const { jobs, view, services } = stores;
  const job = jobs.getState().open?.job;
  if (job === undefined) return undefined;
  const chosen = chosenScope(stores, kind);
  if (chosen !== undefined) return chosen;
  const scope = newScope(job, kind, services.makeId);
  if (!jobs.actions.transact(t('workspace.newScope'), put(scope)).ok) return undefined;
  view.setState({ penScope: scope.id });
  return scope;
}

/** A pen that begins without a fitting scope asks which one; drawing without an answer makes a new one. */
export function askScope(stores: Stores, kind: Mark['kind']): void {
  stores.view.setState({ scopeAsked: chosenScope(stores, kind) === undefined ? kind : undefined });
}

/** `12'6"`, `12' @ 30` (an angle up from the sheet's level), `+8 ft` or `-3 m` for a rise. */
export function readTyped(
  job: Job,
  sheet: Sheet,
  text: string,
  from: Point,
  toward: Point,
): TypedPiece | undefined {
  const settings = settingsOf(job);
  const { numbers } = formatsOf(settings);
  const unit = findDefaultUnit(LENGTH, settings.unitSystem);
  const rise = /^\s*([+-])\s*(.*)$/.exec(text);
  if (rise !== null) {
    const height = evaluateEntry(rise[2] ?? '', LENGTH, unit, numbers);
    if (!height.ok || height.value <= 0) return undefined;
    return { is: 'rise', riseM: rise[1] === '-' ? -height.value : height.value };
  }
  const [lengthText = '', angleText] = text.split('@');
  const angle = angleText === undefined ? undefined : Number(angleText.replace(/°|deg/g, '').trim());
  if (angle !== undefined && (angleText?.trim() === '' || !Number.isFinite(angle))) return undefined;
  const length = evaluateEntry(lengthText, LENGTH, unit, numbers);
  const scale = scaleAt(sheet, from);
  if (!length.ok || length.value <= 0 || scale === undefined) return undefined;
  // A stretched sheet has its own points a meter in every direction.
  const direction = placeTypedAt(from, toward, 1, angle);
  const drawn = distance(from, direction);
  if (drawn === 0) return undefined;
  const reach = (length.value * drawn) / worldDistance(from, direction, scale);
  return { is: 'point', at: placeTypedAt(from, toward, reach, angle) };
}

/** What is unclear in a length that was typed to a pen. */
export function describeTyped(job: Job, text: string): string {
  const settings = settingsOf(job);
  const [lengthText = ''] = text.replace(/^\s*[+-]/, '').split('@');
  const unit = findDefaultUnit(LENGTH, settings.unitSystem);
  const length = evaluateEntry(lengthText, LENGTH, unit, formatsOf(settings).numbers);
  return length.ok
    ? t('workspace.isntALengthToDrawTypeA', {
        text: text.trim(),
        part: settings.unitSystem === 'us' ? "12'6" : '3.75',
      })
    : describeProblem(length.problem);
}

/** The zone in force, as long as it is there. */
function zoneOf({ jobs, view }: Stores): Pick<Mark, 'zoneId'> {
  const zone = jobs.getState().open?.job.zone.get(view.getState().penZone as Zone['id']);
  return zone === undefined ? {} : { zoneId: zone.id };
}

/** The mark that strokes become. A roof slope begins without a pitch; its edges are asked for later. */
export function markOf(stores: Stores, scope: Scope, sheet: Sheet, strokes: Strokes): Mark {
  const mark: Mark = {
    type: 'mark',
    id: stores.services.makeId('mark'),
    scopeId: scope.id,
    sheetId: sheet.id,
    kind: scope.kind,
    strokes,
    ...zoneOf(stores),
  };
  if (scope.kind !== 'slope') return mark;
  return { ...mark, slope: { pitch: '', edges: (strokes[0] ?? []).map(() => null) } };
}

/** Openings take their size from the count they belong to; without one they are a usual door. */
const USUAL_SIZE = { us: { width: 0.9144, height: 2.1336 }, metric: { width: 0.9, height: 2.1 } } as const;

/** The rows of schedules that openings can be of, read as the job writes its numbers. */
export function openingRows(job: Job): readonly OpeningRow[] {
  const settings = settingsOf(job);
  return listOpeningRows(job, formatsOf(settings).numbers, settings.unitSystem);
}

/** The opening a click would put into a mark, of the count in hand; a row of a schedule says its size and tag. */
export function openingAt(stores: Stores, mark: Mark, at: Point): Opening | undefined {
  const open = stores.jobs.getState().open;
  const seat = seatAt(mark, at);
  if (open === undefined || seat === undefined) return undefined;
  const scope = open.job.scope.get(stores.view.getState().penScope as Scope['id']);
  const counted = scope?.kind === 'count' ? scope : undefined;
  const size = (key: string): number | undefined =>
    counted === undefined ? undefined : knownValue(open.figures.figure(propertyNode(counted.id, key)));
  const usual = USUAL_SIZE[settingsOf(open.job).unitSystem];
  const row = stores.view.getState().openingRow;
  return {
    type: 'opening',
    id: stores.services.makeId('opening'),
    markId: mark.id,
    scopeId: counted?.id ?? null,
    tag: row?.tag ?? '',
    widthM: row?.widthM ?? size('width') ?? usual.width,
    heightM: row?.heightM ?? size('height') ?? usual.height,
    seat,
  };
}
