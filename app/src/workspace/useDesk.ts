import { type RefObject, useEffect, useMemo, useRef, useState } from 'react';
import { groupBy } from '@zest/core/job/groupBy';
import type { Mark } from '@zest/core/job/records/mark';
import type { Opening } from '@zest/core/job/records/opening';
import type { Sheet } from '@zest/core/job/records/sheet';
import { createSheetFiles, pictureKey } from '../platform/sheetFiles.ts';
import { scaleOfMark } from '@zest/core/job/scaleAt';
import { labelOf } from '../stages/measure/sheetContent.ts';
import { useFormats, useJobState, useOpenJob, useServices, useView } from '../stores/context.tsx';
import { isMarkShown } from '../stores/viewStore.ts';
import { colorChoice } from './colorChoice.ts';
import type { DrawnStyle } from '../workers/marksProtocol.ts';
import { type Cameras, type Desk, createDesk } from './desk.ts';
import { type ShownMark, styleOf } from './render/marksLayer.ts';
import { type HitIndex, createHitIndex } from './tools/hitIndex.ts';

export interface DeskRefs {
  readonly desk: RefObject<HTMLDivElement | null>;
  readonly paper: RefObject<HTMLDivElement | null>;
  readonly sheet: RefObject<HTMLDivElement | null>;
  readonly marks: RefObject<HTMLDivElement | null>;
}

/** Where the main desk last stood on each sheet. */
const remembered: Cameras = new Map();

/** Builds the desk once and keeps its layers in step with the job. */
export function useDesk(
  sheet: Sheet,
  of: 'main' | 'pane' = 'main',
): {
  readonly refs: DeskRefs;
  readonly desk: Desk | undefined;
  readonly hits: HitIndex;
} {
  const services = useServices();
  const { jobId } = useOpenJob();
  const refs: DeskRefs = {
    desk: useRef(null),
    paper: useRef(null),
    sheet: useRef(null),
    marks: useRef(null),
  };
  const [desk, setDesk] = useState<Desk | undefined>();
  const hits = useMemo(createHitIndex, []);
  const { desk: element, paper, sheet: sheetLayer, marks } = refs;

  useEffect(() => {
    if (
      element.current === null ||
      paper.current === null ||
      sheetLayer.current === null ||
      marks.current === null
    )
      return undefined;
    const layers = { paper: paper.current, sheet: sheetLayer.current, marks: marks.current };
    const made = createDesk(
      element.current,
      layers,
      createSheetFiles(services, jobId),
      services.createMarksWorker(),
      of === 'main' ? remembered : new Map(),
    );
    setDesk(made);
    return () => made.end();
  }, [services, jobId, element, paper, sheetLayer, marks, of]);

  // Only another page is another picture; a new scale or name is not.
  const { id } = sheet;
  const picture = pictureKey(sheet);
  useEffect(() => {
    desk?.show(sheet);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [desk, picture]);
  useMarksInStep(desk, hits, id);
  useStylesInStep(desk, id);
  useLabelsInStep(desk, id);
  return { refs, desk, hits };
}

interface Sent {
  readonly desk: Desk;
  readonly sheetId: string;
  readonly scales: string;
  readonly revision: number;
  readonly marks: Map<string, Mark>;
  readonly openings: ReadonlyMap<string, readonly Opening[]>;
}

const NO_OPENINGS: readonly Opening[] = [];
const sameOpenings = (a: readonly Opening[] = NO_OPENINGS, b: readonly Opening[] = NO_OPENINGS): boolean =>
  a.length === b.length && a.every((opening, i) => opening === b[i]);

/** Sends the worker and the hit index what changed among the sheet's marks, and only that. */
function useMarksInStep(desk: Desk | undefined, hits: HitIndex, sheetId: string): void {
  const { job } = useOpenJob();
  const sent = useRef<Sent | undefined>(undefined);
  const sheet = job.sheet.get(sheetId as Sheet['id']);
  const scales = JSON.stringify([sheet?.scale, sheet?.scaleAreas]);
  const revision = useJobState((state) => state.revision);
  const lastDiff = useJobState((state) => state.lastDiff);
  useEffect(() => {
    if (desk === undefined) return;
    const before = sent.current;
    const openings = groupBy(job.opening.values(), ({ markId }): string => markId);
    const shown = (mark: Mark): ShownMark => ({
      mark,
      openings: openings.get(mark.id) ?? NO_OPENINGS,
      metersPerPoint: scaleOfMark(job, mark)?.xMetersPerPoint,
    });
    const keeps = before?.desk === desk && before.sheetId === sheetId && before.scales === scales;
    if (before === undefined || !keeps || revision > before.revision + 1) {
      const marks = new Map<string, Mark>();
      for (const mark of job.mark.values()) if (mark.sheetId === sheetId) marks.set(mark.id, mark);
      sent.current = { desk, sheetId, scales, revision, marks, openings };
      desk.marks.load([...marks.values()].map(shown));
      hits.set(marks.values());
      return;
    }
    // One step on: only what the last change touched is looked at.
    const touched = new Set<string>();
    for (const record of [...lastDiff.added, ...lastDiff.removed, ...lastDiff.updated.flat()]) {
      if (record.type === 'mark') touched.add(record.id);
      if (record.type === 'opening') touched.add(record.markId);
    }
    const changed: Mark[] = [];
    const removed: string[] = [];
    for (const markId of touched) {
      const mark = job.mark.get(markId as Mark['id']);
      const known = before.marks.get(markId);
      if (mark?.sheetId === sheetId) {
        const same = mark === known && sameOpenings(before.openings.get(markId), openings.get(markId));
        if (!same) changed.push(mark);
        before.marks.set(markId, mark);
      } else if (known !== undefined) {
        removed.push(markId);
        before.marks.delete(markId);
      }
    }
    sent.current = { ...before, revision, openings };
    if (changed.length === 0 && removed.length === 0) return;
    for (const markId of removed) hits.remove(markId);
    for (const mark of changed) hits.put(mark);
    desk.marks.change(changed.map(shown), removed);
  }, [desk, hits, job, sheetId, scales, revision, lastDiff]);
}

function useStylesInStep(desk: Desk | undefined, sheetId: string): void {
  const { job } = useOpenJob();
  const hidden = useView((state) => state.hidden);
  const alone = useView((state) => state.alone);
  const colorBy = useView((state) => state.colorBy);
  const levelId = job.sheet.get(sheetId as Sheet['id'])?.levelId;
  useEffect(() => {
    const zones = [undefined, ...job.zone.values()];
    const colorOf = colorChoice(job, colorBy, levelId);
    const styles = [...job.scope.values()].flatMap((scope) =>
      zones.map((zone): DrawnStyle => ({
        id: styleOf(scope.id, zone?.id),
        color: colorOf(scope, zone?.id),
        hidden: !isMarkShown({ hidden, alone }, scope, zone?.id),
        faint: false,
        sign: scope.sign,
      })),
    );
    desk?.marks.style(styles);
    // Of the job only its scopes, sections, zones and levels can change a color.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [desk, job.scope, job.zone, job.section, job.level, levelId, hidden, alone, colorBy]);
}

/** Writes names and figures on the marks of the sheet, while that is asked for. */
function useLabelsInStep(desk: Desk | undefined, sheetId: string): void {
  const { job, figures } = useOpenJob();
  const { display } = useFormats();
  const mode = useView((state) => state.labels);
  const written = useRef(false);
  useEffect(() => {
    // Nothing written and nothing asked for: the usual case costs nothing.
    if (desk === undefined || (mode === 'none' && !written.current)) return;
    written.current = mode !== 'none';
    const labels: (readonly [string, string])[] = [];
    if (mode !== 'none')
      for (const mark of job.mark.values()) {
        if (mark.sheetId !== sheetId) continue;
        const text = labelOf(figures, mark, mode, display);
        if (text !== '') labels.push([mark.id, text]);
      }
    desk.marks.label(labels);
  }, [desk, sheetId, mode, figures, display, job.mark]);
}
