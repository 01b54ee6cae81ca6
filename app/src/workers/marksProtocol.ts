import type { CountSign } from '@zest/core/job/records/scope';
import type { MarkKind } from '@zest/core/job/markKinds';

/** A mark as the drawing worker needs it. */
export interface DrawnMark {
  readonly id: string;
  /** The style it is drawn in: its scope, and its zone where it has one. */
  readonly styleId: string;
  readonly kind: MarkKind;
  /** x, y, x, y … in sheet points, one list a stroke. */
  readonly strokes: readonly Float32Array[];
  /** Openings as x, y, cosine and sine of the wall's direction, half the width in sheet points. */
  readonly openings: Float32Array;
}

export interface DrawnStyle {
  readonly id: string;
  readonly color: number;
  readonly hidden: boolean;
  readonly faint: boolean;
  /** How points are shown; by the color where it is left out. */
  readonly sign: CountSign | undefined;
}

/** What part of the sheet to draw, and how large. */
export interface View {
  /** Sheet point at the top left corner of the bitmap. */
  readonly x: number;
  readonly y: number;
  /** Device pixels a sheet point. */
  readonly scale: number;
  readonly width: number;
  readonly height: number;
  /** How high what is written on marks is, device pixels; as on the screen where it is left out. */
  readonly labelPx?: number;
}

export interface MarksWorker {
  /** Takes over all marks of the sheet in view. */
  readonly load: (marks: readonly DrawnMark[]) => Promise<void>;
  readonly change: (put: readonly DrawnMark[], removed: readonly string[]) => Promise<void>;
  readonly style: (scopes: readonly DrawnStyle[]) => Promise<void>;
  /** What is written on marks, by mark; marks left out carry nothing. */
  readonly label: (labels: readonly (readonly [id: string, text: string])[]) => Promise<void>;
  readonly draw: (view: View, quality: 'quick' | 'proper', skip: readonly string[]) => Promise<ImageBitmap>;
}
