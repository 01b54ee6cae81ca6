import { useEffect, useMemo, useRef, useState } from 'react';
import type { Point } from '@zest/core/geometry/point';
import { type Snap, createSnapIndex, rankSnaps, snapsOf } from '@zest/core/geometry/snap';
import type { Sheet } from '@zest/core/job/records/sheet';
import { createSheetFiles } from '../platform/sheetFiles.ts';
import { useOpenJob, useServices } from '../stores/context.tsx';
import type { HitIndex } from './tools/edit.ts';

/** Screen pixels within which a place draws the pen … */
const SNAP_PX = 10;
/** … and sheet points: seen from afar, a few pixels are several feet, and the wrong wall. */
const SNAP_PT = 5;

export const snapReach = (scale: number): number => Math.min(SNAP_PX / scale, SNAP_PT);

/** Draws points to the sheet's own lines and to the marks on it. */
export interface Snapper {
  /** How many segments of the sheet can be snapped to; undefined while they are being read. */
  readonly ready: number | undefined;
  /** The snap in force for a pointer at `at`, with the last point placed at `from`. */
  readonly snap: (at: Point, reachPt: number, from: Point | undefined) => Snap | undefined;
  /** Goes on to the next snap in reach; starts anew once the pointer leaves. */
  readonly cycle: () => void;
  readonly on: boolean;
  readonly toggle: () => void;
}

const SETTLED_PT = 0.75;

export function useSnap(sheet: Sheet, hits: HitIndex): Snapper {
  const services = useServices();
  const { jobId } = useOpenJob();
  const [lines, setLines] = useState<
    { readonly sheetId: string; readonly lines: Float32Array } | undefined
  >();
  const [on, setOn] = useState(true);
  const turns = useRef<{ turn: number; at: Point | undefined }>({ turn: 0, at: undefined });
  const { id } = sheet;
  useEffect(() => {
    let gone = false;
    const files = createSheetFiles(services, jobId);
    const began = performance.now();
    files.lineWork(sheet).then(
      (read) => {
        if (gone) return;
        setLines({ sheetId: id, lines: read });
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
  }, [services, jobId, id]);
  const index = useMemo(
    () => (lines?.sheetId === id ? createSnapIndex(lines.lines) : undefined),
    [lines, id],
  );
  return useMemo(
    () => ({
      ready: index?.size,
      on,
      toggle: () => setOn((before) => !before),
      cycle: () => {
        turns.current.turn += 1;
      },
      snap: (at, reachPt, from) => {
        if (!on) return undefined;
        const { current } = turns;
        const moved =
          current.at === undefined ||
          Math.hypot(at.x - current.at.x, at.y - current.at.y) > SETTLED_PT * reachPt;
        if (moved) turns.current = { turn: 0, at };
        const ofMarks = snapsOf(hits.segmentsNear(at, reachPt), at, reachPt, from);
        const all = rankSnaps([...ofMarks, ...(index?.find(at, reachPt, from) ?? [])], at);
        return all[turns.current.turn % Math.max(1, all.length)];
      },
    }),
    [index, on, hits],
  );
}
