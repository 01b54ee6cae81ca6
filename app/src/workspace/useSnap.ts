import { useEffect, useMemo, useRef, useState } from 'react';
import type { Point } from '@zest/core/geometry/point';
import {
  type PackedLines,
  type Snap,
  type SnapKind,
  createSnapIndex,
  rankSnaps,
  snapsOf,
} from '@zest/core/geometry/snap';
import type { Sheet } from '@zest/core/job/records/sheet';
import * as z from 'zod';
import { useChoice } from '../components/useChoice.ts';
import { createSheetFiles, pictureKey } from '../platform/sheetFiles.ts';
import { useJobId } from '../stores/jobHooks.ts';
import { useServices } from '../stores/context.tsx';
import type { HitIndex } from './tools/hitIndex.ts';

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
  /** The only kind of place that draws the pen, while one is held. */
  readonly held: SnapKind | undefined;
  /** Holds a kind, or lets go of the one that is held. */
  readonly hold: (kind: SnapKind | undefined) => void;
  readonly toggle: () => void;
}

const SETTLED_PT = 0.75;
const ON = z.boolean();

export function useSnap(sheet: Sheet, hits: HitIndex): Snapper {
  const services = useServices();
  const jobId = useJobId();
  const [lines, setLines] = useState<{ readonly of: string; readonly packed: PackedLines } | undefined>();
  const [on, setOn] = useChoice('snapping', true, ON);
  const [held, setHeld] = useState<SnapKind | undefined>();
  const turns = useRef<{ turn: number; at: Point | undefined }>({ turn: 0, at: undefined });
  const key = pictureKey(sheet);
  useEffect(() => {
    let gone = false;
    const files = createSheetFiles(services, jobId);
    const began = performance.now();
    files.lineWork(sheet).then(
      (read) => {
        if (gone) return;
        setLines({ of: key, packed: read });
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
  }, [services, jobId, key]);
  const index = useMemo(() => (lines?.of === key ? createSnapIndex(lines.packed) : undefined), [lines, key]);
  return useMemo(
    () => ({
      ready: index?.size,
      on,
      held,
      hold: (kind) => setHeld((before) => (before === undefined ? kind : undefined)),
      toggle: () => setOn(!on),
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
        const found = [...ofMarks, ...(index?.find(at, reachPt, from) ?? [])];
        const all = rankSnaps(held === undefined ? found : found.filter(({ kind }) => kind === held), at);
        return all[turns.current.turn % Math.max(1, all.length)];
      },
    }),
    [index, on, setOn, held, hits],
  );
}
