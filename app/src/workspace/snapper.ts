import { type StoreApi, createStore } from 'zustand/vanilla';
import type { Point } from '@zest/core/geometry/point';
import {
  type Snap,
  type SnapIndex,
  type SnapKind,
  joinSnaps,
  pieceOf,
  snapsOf,
} from '@zest/core/geometry/snap';
import type { HitIndex } from './tools/hitIndex.ts';

/** Screen pixels within which a place draws the pen … */
const SNAP_PX = 10;
/** … and sheet points, 4 mm of paper: seen from afar, ten pixels are several feet, and the wrong wall. */
const SNAP_PT = 12;

export const snapReach = (scale: number): number => Math.min(SNAP_PX / scale, SNAP_PT);

/** The pointer has left a place once it is this part of the reach away. */
const SETTLED_PART = 0.75;

export interface SnapState {
  /** How many segments of the sheet can be snapped to; undefined while they are being read. */
  readonly ready: number | undefined;
  readonly on: boolean;
  /** What is measured draws the pen as well, after the sheet's own lines. */
  readonly marks: boolean;
  /** The only kind of place that draws the pen, while one is held. */
  readonly held: SnapKind | undefined;
}

/** Draws points to the sheet's own lines and to the marks on it. */
export interface Snapper {
  readonly store: StoreApi<SnapState>;
  /** The lines of another sheet; undefined while they are being read. */
  readonly setLines: (lines: SnapIndex | undefined) => void;
  /** The snap in force for a pointer at `at`, with the last point placed at `from`; all in sheet points. */
  readonly snap: (at: Point, reachPt: number, from: Point | undefined) => Snap | undefined;
  /** Goes on to the next snap in reach; starts anew once the pointer leaves. */
  readonly cycle: () => void;
  /** Holds a kind, or lets go of the one that is held. */
  readonly hold: (kind: SnapKind | undefined) => void;
  readonly toggle: () => void;
  readonly choose: (what: SnapChoice) => void;
}

/** What draws the pen, as it is remembered. */
export interface SnapChoice {
  readonly on: boolean;
  readonly marks: boolean;
}

export function createSnapper(hits: HitIndex, remember: (choice: SnapChoice) => void): Snapper {
  const store = createStore<SnapState>(() => ({ ready: undefined, on: true, marks: false, held: undefined }));
  let index: SnapIndex | undefined;
  let turns: { turn: number; readonly at: Point | undefined } = { turn: 0, at: undefined };
  const hasLeft = (at: Point, reachPt: number): boolean =>
    turns.at === undefined || Math.hypot(at.x - turns.at.x, at.y - turns.at.y) > SETTLED_PART * reachPt;
  const choose = (choice: SnapChoice): void => {
    store.setState(choice);
    remember(choice);
  };
  const ofMarks = (at: Point, reachPt: number, from: Point | undefined): readonly Snap[] =>
    snapsOf(hits.segmentsNear(at, reachPt).map(pieceOf), at, reachPt, from);
  return {
    store,
    setLines: (lines) => {
      index = lines;
      store.setState({ ready: lines?.size });
    },
    cycle: () => {
      turns.turn += 1;
    },
    hold: (kind) => store.setState(({ held }) => ({ held: held === undefined ? kind : undefined })),
    toggle: () => {
      const { on, marks } = store.getState();
      choose({ on: !on, marks });
    },
    choose,
    snap: (at, reachPt, from) => {
      const { on, marks, held } = store.getState();
      if (!on) return undefined;
      if (hasLeft(at, reachPt)) turns = { turn: 0, at };
      const ofSheet = index?.find(at, reachPt, from) ?? [];
      const found = marks ? joinSnaps(ofSheet, ofMarks(at, reachPt, from)) : ofSheet;
      const all = held === undefined ? found : found.filter(({ kind }) => kind === held);
      return all[turns.turn % Math.max(1, all.length)];
    },
  };
}
