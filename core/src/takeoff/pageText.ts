/** A piece of text on a page; sheet points, the start of its baseline. */
export interface SheetText {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
