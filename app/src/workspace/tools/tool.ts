import type { Inside } from '@zest/core/takeoff/holes';
import type { Point } from '@zest/core/geometry/point';
import type { Snap } from '@zest/core/geometry/snap';
import type { Job } from '@zest/core/job/job';
import type { Sheet } from '@zest/core/job/records/sheet';
import type { Stores } from '../../stores/context.tsx';
import type { Tool } from '../../stores/viewStore.ts';
import type { Box } from '../boxes.ts';
import type { MarkSelection } from '../markSelection.ts';
import type { Placer } from '../placer.ts';
import type { Snapper } from '../snapper.ts';
import type { DrawState } from './draw.ts';
import type { Handle, Strokes } from './edit.ts';
import type { HitIndex } from './hitIndex.ts';
import type { TwoState } from './measureTwo.ts';

/** A drag in progress on selected marks. */
export interface Drag {
  readonly start: Point;
  readonly handle: Handle | undefined;
  /** Strokes of the dragged marks as they would be now. */
  readonly moved: ReadonlyMap<string, Strokes>;
}

/** What is going on at a sheet and is not in the job yet. */
export interface SessionState {
  readonly draft: DrawState;
  readonly two: TwoState;
  readonly drag: Drag | undefined;
  readonly box: Box | undefined;
  /** The vertex that was clicked: Delete takes it away. */
  readonly vertex: Handle | undefined;
  /** Where the tool's point would go, in sheet points. */
  readonly pointer: Point | undefined;
  /** Where the pointer is itself. */
  readonly rawPointer: Point | undefined;
  /** What that point is drawn to. */
  readonly snap: Snap | undefined;
  /** An area that was just drawn inside another of its scope: it may be meant as a hole. */
  readonly inside: Inside | undefined;
}

/** What a tool works with. Everything is as it is at the moment of asking. */
export interface ToolContext {
  readonly stores: Stores;
  readonly hits: HitIndex;
  readonly snapper: Snapper;
  readonly marks: MarkSelection;
  readonly place: Placer;
  readonly state: () => SessionState;
  readonly set: (part: Partial<SessionState>) => void;
  readonly job: () => Job;
  readonly sheet: () => Sheet;
  /** So many pixels of the screen in sheet points. */
  readonly toSheetPt: (pixels: number) => number;
  /** Marks that are drawn elsewhere while they are dragged. */
  readonly hideMarks: (ids: readonly string[]) => void;
}

/** A place on the sheet, drawn to its lines where the tool wants that, and how the pointer was held. */
export interface Gesture {
  readonly at: Point;
  readonly shift: boolean;
  readonly ctrl: boolean;
  readonly timeMs: number;
}

/** One tool of the workspace. Its gestures run outside React, one after the other, on what is true then. */
export interface ToolModule {
  readonly id: Tool;
  readonly cursor: 'default' | 'crosshair';
  /** Its point is drawn to the lines of the sheet. */
  readonly snaps: boolean;
  /** Its point is shown enlarged on a sheet seen from afar. */
  readonly magnified: boolean;
  /** Where it stands on the dock. */
  readonly dock?: { readonly name: string };
  /** How it is called in the finder, and its key. */
  readonly action?: { readonly label: string; readonly key: string };
  readonly begin?: (context: ToolContext) => void;
  readonly press?: (context: ToolContext, gesture: Gesture) => 'drag' | 'click';
  readonly move?: (context: ToolContext, gesture: Gesture) => void;
  readonly drag?: (context: ToolContext, at: Point) => void;
  readonly drop?: (context: ToolContext) => void;
  readonly click?: (context: ToolContext, gesture: Gesture) => void;
  /** True when the key meant something to the tool. */
  readonly key?: (context: ToolContext, event: KeyboardEvent) => boolean;
  /** Another tool or another sheet takes over; what is drawn is kept. */
  readonly interrupt?: (context: ToolContext) => void;
}

/** Screen pixels within which a click means the thing under it. */
export const NEAR_PX = 8;
/** Screen pixels within which two clicks are one: a hand moves less in a double-click. */
export const SAME_PX = 3;
/** Edges shorter than this on the screen get no middle handle. */
export const MIDDLE_ROOM_PX = 46;
