/** The place in a formula's text that something points at: [start, end). */
export interface Span {
  readonly start: number;
  readonly end: number;
}
