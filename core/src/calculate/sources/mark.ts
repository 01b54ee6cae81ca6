import { openingsOfMark, recordsOf } from '../../job/belongs.ts';
import type { Id } from '../../job/id.ts';
import type { Job } from '../../job/job.ts';
import { MARK_KIND, type MarkKind } from '../../job/markKinds.ts';
import { type MarkMeasure, OPENING_MEASURES } from '../../job/measures.ts';
import { query } from '../../job/query.ts';
import type { Mark } from '../../job/records/mark.ts';
import type { Opening } from '../../job/records/opening.ts';
import type { DeductRule } from '../../job/records/scope.ts';
import { measurerOf } from '../../takeoff/measureMark.ts';
import { parsePitch } from '../../takeoff/roof.ts';
import { scaleOfMark } from '../../job/scaleAt.ts';
import type { Define, Definitions } from '../define.ts';
import { failed, valued } from '../graph/rule.ts';
import { markNode } from '../graph/nodes.ts';
import { formOfMark } from '../queries/marks.ts';
import { hasOwnNode } from './nodeOfMark.ts';

/** A run or an area is one mark: only points have a count of their own to add up. */
export const ownMeasures = (kind: MarkKind): readonly MarkMeasure[] =>
  MARK_KIND[kind].measures.filter((measure) => measure !== 'count' || kind === 'count');

/** A mark's own figures, times what it counts. Without a scale they are unknown, save the count. */
export const defineMark: Define = ({ job }, id) => {
  const mark = job.mark.get(id as Id<'mark'>);
  if (mark === undefined) return [];
  const form = formOfMark(job, id);
  const scale = scaleOfMark(job, mark);
  const measured = measurerOf(mark, scale);
  const kept = ownMeasures(mark.kind).filter((measure) => hasOwnNode(form, measure));
  const own: Definitions = kept.map((measure) => {
    const value = measured(measure);
    const node = markNode(id, measure);
    if (value !== undefined) return [node, valued(value * form.times)];
    const pitch = mark.slope?.pitch ?? '';
    const unread = scale !== undefined && mark.kind === 'slope' && parsePitch(pitch) === undefined;
    return [node, failed(unread ? { kind: 'no-pitch', pitch } : { kind: 'no-scale', sheetId: mark.sheetId })];
  });
  return form.opened ? [...own, ...defineOpenings(job, mark, form.times)] : own;
};

const deducts = (rule: DeductRule, { widthM, heightM }: Opening): boolean =>
  rule.rule === 'all' || (rule.rule === 'above' && widthM * heightM > rule.areaM2);

const ALL: DeductRule = { rule: 'all' };
const deductOf = query((job, id): DeductRule => job.scope.get(id as Id<'scope'>)?.deduct ?? ALL);

/** Gross and deducted openings of a mark are kept apart: the rule is the scope's. */
function defineOpenings(job: Job, mark: Mark, times: number): Definitions {
  const openings = recordsOf(job.opening, openingsOfMark(job, mark.id));
  const rule = deductOf(job, mark.scopeId);
  const sum = (figure: (opening: Opening) => number, of = openings): number =>
    of.reduce((total, opening) => total + figure(opening), 0) * times;
  const deducted = openings.filter((opening) => deducts(rule, opening));
  const width = ({ widthM }: Opening): number => widthM;
  const area = ({ widthM, heightM }: Opening): number => widthM * heightM;
  const figures: Readonly<Record<(typeof OPENING_MEASURES)[number], number>> = {
    openings: openings.length * times,
    openings_width: sum(width),
    openings_area: sum(area),
    deducted_width: sum(width, deducted),
    deducted_area: sum(area, deducted),
  };
  return OPENING_MEASURES.map((measure) => [markNode(mark.id, measure), valued(figures[measure])]);
}
