import { type RefObject, useEffect, useMemo, useRef, useState } from 'react';
import type { Sheet } from '@zest/core/job/records/sheet';
import { createSheetFiles, pictureKey } from '../platform/sheetFiles.ts';
import { labelOf } from '../stages/measure/sheetContent.ts';
import { useFormats, useOpenJob, useStores, useView } from '../stores/context.tsx';
import { useJobId } from '../stores/jobHooks.ts';
import { isMarkShown } from '../stores/viewStore.ts';
import { colorChoice } from './colorChoice.ts';
import type { DrawnStyle } from '../workers/marksProtocol.ts';
import { type Cameras, type Viewport, createViewport } from './viewport.ts';
import { styleOf } from './render/marksLayer.ts';
import { feedMarks } from './marksFeed.ts';
import { type HitIndex, createHitIndex } from './tools/hitIndex.ts';

export interface DeskRefs {
  readonly viewport: RefObject<HTMLDivElement | null>;
  readonly paper: RefObject<HTMLDivElement | null>;
  readonly sheet: RefObject<HTMLDivElement | null>;
  readonly marks: RefObject<HTMLDivElement | null>;
}

/** Where the main desk last stood on each sheet. */
const remembered: Cameras = new Map();

/** Builds the desk once and keeps its layers in step with the job. */
export function useViewport(
  sheet: Sheet,
  of: 'main' | 'pane' = 'main',
): {
  readonly refs: DeskRefs;
  readonly viewport: Viewport | undefined;
  readonly hits: HitIndex;
} {
  const stores = useStores();
  const { services } = stores;
  const jobId = useJobId();
  const refs: DeskRefs = {
    viewport: useRef(null),
    paper: useRef(null),
    sheet: useRef(null),
    marks: useRef(null),
  };
  const [viewport, setDesk] = useState<Viewport | undefined>();
  const hits = useMemo(createHitIndex, []);
  const { viewport: element, paper, sheet: sheetLayer, marks } = refs;

  useEffect(() => {
    if (
      element.current === null ||
      paper.current === null ||
      sheetLayer.current === null ||
      marks.current === null
    )
      return undefined;
    const layers = { paper: paper.current, sheet: sheetLayer.current, marks: marks.current };
    const made = createViewport(
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
    viewport?.show(sheet);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [viewport, picture]);
  useEffect(
    () => (viewport === undefined ? undefined : feedMarks(stores.jobs, id, viewport, hits)),
    [stores, viewport, id, hits],
  );
  useStylesInStep(viewport, id);
  useLabelsInStep(viewport, id);
  return { refs, viewport, hits };
}

function useStylesInStep(viewport: Viewport | undefined, sheetId: string): void {
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
    viewport?.marks.style(styles);
    // Of the job only its scopes, sections, zones and levels can change a color.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [viewport, job.scope, job.zone, job.section, job.level, levelId, hidden, alone, colorBy]);
}

/** Writes names and figures on the marks of the sheet, while that is asked for. */
function useLabelsInStep(viewport: Viewport | undefined, sheetId: string): void {
  const { job, figures } = useOpenJob();
  const { display } = useFormats();
  const mode = useView((state) => state.labels);
  const written = useRef(false);
  useEffect(() => {
    // Nothing written and nothing asked for: the usual case costs nothing.
    if (viewport === undefined || (mode === 'none' && !written.current)) return;
    written.current = mode !== 'none';
    const labels: (readonly [string, string])[] = [];
    if (mode !== 'none')
      for (const mark of job.mark.values()) {
        if (mark.sheetId !== sheetId) continue;
        const text = labelOf(figures, mark, mode, display);
        if (text !== '') labels.push([mark.id, text]);
      }
    viewport.marks.label(labels);
  }, [viewport, sheetId, mode, figures, display, job.mark]);
}
