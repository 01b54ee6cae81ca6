import type { Bounds } from '@zest/core/geometry/bounds';
import type { Point } from '@zest/core/geometry/point';
import { type Command, put } from '@zest/core/job/change';
import { getRecord } from '@zest/core/job/job';
import type { Sheet, Tone } from '@zest/core/job/records/sheet';
import { cropSheet, levelingTurn, turnSheet } from '@zest/core/takeoff/placing';
import { tell, tellProblem } from '../parts/toaster.tsx';
import { describeProblem } from '../messages/describeProblem.ts';
import type { Stores } from '../stores/context.tsx';
import { t } from '../messages/t.ts';

/** A turn by less than this is no turn: the line was level. */
const LEVEL_DEG = 0.005;
const SMALLEST_CROP_PT = 36;

/** One step with its undo; says so where the scale could not be taken along. */
function change({ jobs }: Stores, sheet: Sheet, label: string, command: Command): void {
  const done = jobs.actions.transact(`${label} ${sheet.number || t('workspace.theSheet')}`, command);
  if (!done.ok) return tellProblem(describeProblem(done.problem));
  const after = jobs.getState().open?.job.sheet.get(sheet.id);
  if (sheet.scale !== null && after?.scale === null) tell(t('workspace.aStretchedSheetHasAScaleEach'));
}

export const turnBy = (stores: Stores, sheet: Sheet, angleDeg: number): void =>
  change(stores, sheet, 'turn', turnSheet(sheet.id, angleDeg));

/** Turns the sheet so that the way from a to b becomes level or upright, whichever is nearer. */
export function levelSheet(stores: Stores, sheet: Sheet, a: Point, b: Point): void {
  const angle = levelingTurn(a, b);
  stores.view.setState({ tool: 'straighten' });
  if (Math.abs(angle) < LEVEL_DEG) return tell(t('workspace.thatLineIsLevelAlready'));
  change(stores, sheet, 'level', turnSheet(sheet.id, angle));
}

export function cropToBox(stores: Stores, sheet: Sheet, box: Bounds): void {
  const inside = {
    minX: Math.max(0, box.minX),
    minY: Math.max(0, box.minY),
    maxX: Math.min(sheet.widthPt, box.maxX),
    maxY: Math.min(sheet.heightPt, box.maxY),
  };
  stores.view.setState({ tool: 'straighten' });
  if (inside.maxX - inside.minX < SMALLEST_CROP_PT || inside.maxY - inside.minY < SMALLEST_CROP_PT)
    return tellProblem(t('workspace.thatBoxIsTooSmallToKeep'));
  change(stores, sheet, 'crop', cropSheet(sheet.id, inside));
}

/** Only what differs from the drawing as it is, is kept. */
export function setTone(stores: Stores, sheet: Sheet, tone: Tone): void {
  change(stores, sheet, t('workspace.toneOf'), (job) => {
    const { tone: _before, ...plain } = getRecord(job, sheet.id);
    return put(tone.ink === 1 && !tone.invert ? plain : { ...plain, tone })(job);
  });
}

/** The sheet as it came: its page whole, unturned and in its own tone. Marks go back with it. */
export const isStraightened = ({ placings, tone, join }: Sheet): boolean =>
  (placings !== undefined && join === undefined) || tone !== undefined;
