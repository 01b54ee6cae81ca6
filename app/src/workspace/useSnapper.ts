import { useEffect, useMemo } from 'react';
import { createSnapIndex } from '@zest/core/geometry/snap';
import type { Sheet } from '@zest/core/job/records/sheet';
import * as z from 'zod';
import { useChoice } from '../stores/useChoice.ts';
import { createSheetFiles, pictureKey } from '../platform/sheetFiles.ts';
import { useServices } from '../stores/context.tsx';
import { useJobId } from '../stores/jobHooks.ts';
import { type SnapChoice, type Snapper, createSnapper } from './snapper.ts';
import type { HitIndex } from './tools/hitIndex.ts';

const USUAL: SnapChoice = { on: true, marks: false };
const CHOICE: z.ZodType<SnapChoice> = z.object({ on: z.boolean(), marks: z.boolean() });

/** A snapper for the sheet that is shown; what it snaps to is remembered on this machine. */
export function useSnapper(sheet: Sheet, hits: HitIndex): Snapper {
  const services = useServices();
  const jobId = useJobId();
  const [choice, setChoice] = useChoice('snap-to', USUAL, CHOICE);
  const snapper = useMemo(() => createSnapper(hits, setChoice), [hits, setChoice]);
  useEffect(() => snapper.store.setState(choice), [snapper, choice]);
  const key = pictureKey(sheet);
  useEffect(() => {
    let gone = false;
    const began = performance.now();
    snapper.setLines(undefined);
    createSheetFiles(services, jobId)
      .lineWork(sheet)
      .then(
        (lines) => {
          if (gone) return;
          snapper.setLines(createSnapIndex(lines));
          // Read by the bench.
          performance.measure('snap-ready', { start: began });
        },
        () => undefined,
      );
    return () => {
      gone = true;
    };
    // Names and scale do not change the lines.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [services, jobId, key, snapper]);
  return snapper;
}
