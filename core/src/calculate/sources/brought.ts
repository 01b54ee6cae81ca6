import { own } from '../../job/own.ts';
import type { PieceRecord } from '../../job/records/piece.ts';

/** What typed pieces say of a measure besides the figure they are typed with, in SI. */
export const broughtBy = (pieces: readonly PieceRecord[], measure: string): number =>
  pieces.reduce((sum, { also }) => sum + (also === undefined ? 0 : (own(also, measure) ?? 0)), 0);
