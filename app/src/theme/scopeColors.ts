// data: the twelve scope colors with the pattern that goes with each
import type { Glyph } from '@zest/core/job/records/scope';

/**
 * Twelve colors ordered so that neighbors stay apart in lightness as well as in hue; each comes with
 * a dash for runs, a hatch for areas and a shape for counts, so that color is never the only cue.
 */
export interface ScopeLook {
  readonly name: string;
  readonly color: string;
  readonly dash: readonly number[];
  readonly hatch: Hatch;
  readonly glyph: Glyph;
}

export type Hatch = 'plain' | 'rising' | 'falling' | 'crossed' | 'level' | 'upright' | 'dots';
export type { Glyph };

const look = (
  name: string,
  color: string,
  dash: readonly number[],
  hatch: Hatch,
  glyph: Glyph,
): ScopeLook => ({ name, color, dash, hatch, glyph });

export const SCOPE_LOOKS: readonly ScopeLook[] = [
  look('creek', '#1F6FB2', [], 'rising', 'disc'),
  look('brick', '#BE4A1C', [], 'falling', 'square'),
  look('fern', '#2B8A6B', [10, 4], 'crossed', 'disc'),
  look('plum', '#7A3E9D', [4, 3], 'level', 'triangle'),
  look('olive', '#7C7A12', [12, 3, 3, 3], 'upright', 'diamond'),
  look('rose', '#C2307A', [10, 4], 'dots', 'triangle'),
  look('slate', '#4A6076', [], 'crossed', 'square'),
  look('sand', '#A6761D', [4, 3], 'rising', 'diamond'),
  look('navy', '#2D2F86', [12, 3, 3, 3], 'falling', 'ring'),
  look('teal', '#0B7F8C', [2, 3], 'level', 'square'),
  look('stone', '#77756E', [10, 4], 'plain', 'cross'),
  look('moss', '#4E7D1E', [2, 3], 'upright', 'ring'),
];

export const lookOf = (color: number): ScopeLook => SCOPE_LOOKS[color % SCOPE_LOOKS.length] as ScopeLook;
