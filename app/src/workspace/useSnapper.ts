import { useEffect, useMemo } from 'react';
import { createSnapIndex } from '@zest/core/geometry/snap';
import type { Sheet } from '@zest/core/job/records/sheet';
import * as z from 'zod';
import { useChoice } from '../stores/useChoice.ts';
import { createSheetFiles, pictureKey } from '../platform/sheetFiles.ts';
import { useServices } from '../stores/context.tsx';
import { useJobId } from '../stores/jobHooks.ts';
import { type Snapper, createSnapper } from './snapper.ts';
import type { HitIndex } from './tools/hitIndex.ts';

const ON = z.boolean();

/** A snapper for the sheet that is shown; whether it snaps is remembered on this machine. */
export function useSnapper(sheet: Sheet, hits: HitIndex): Snapper {
  const services = useServices();
  const jobId = useJobId();
  const [on, setOn] = useChoice('snapping', true, ON);
  const snapper = useMemo(() => createSnapper(hits, setOn), [hits, setOn]);
  useEffect(() => snapper.store.setState({ on }), [snapper, on]);
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
