import * as z from 'zod';
import { MARK_KINDS } from '../markKinds.ts';
import { formulaField, idOf, isListOf, isPlainPoint, quickly, vertexField } from './fields.ts';

export const STROKE_LIMIT = 5_000;
export const REPEAT_LIMIT = 10_000;

/** What an edge of a roof slope can be. Eaves, ridges and level walls lie level. */
export const ROOF_EDGES = ['eave', 'rake', 'ridge', 'hip', 'valley', 'wall'] as const;
export type RoofEdge = (typeof ROOF_EDGES)[number];

/** True for strokes of corners that have a place and nothing else; all of what the schema asks of those. */
const isPlainStrokes = (value: unknown): boolean =>
  isListOf(value, STROKE_LIMIT, (stroke) => isListOf(stroke, STROKE_LIMIT, isPlainPoint));

const tailField = z.number().min(0).max(1e4);

/** One drawn piece of a scope on a sheet: open strokes of a run, rings of an area, or counted points. */
export const markSchema = z
  .strictObject({
    type: z.literal('mark'),
    id: idOf('mark'),
    scopeId: idOf('scope'),
    sheetId: idOf('sheet'),
    kind: z.enum(MARK_KINDS),
    strokes: quickly(
      isPlainStrokes,
      z.array(z.array(vertexField).min(1).max(STROKE_LIMIT).readonly()).min(1).max(STROKE_LIMIT).readonly(),
    ),
    /**
     * The same again: so many times in all. Once where it is left out; 0 for what is drawn but not in
     * the work, as the slopes of a roof that are not replaced.
     */
    repeat: z.number().int().min(0).max(REPEAT_LIMIT).optional(),
    zoneId: idOf('zone').optional(),
    /** Extra length at the two ends of a run, in meters: wire beyond the conduit, lap of a bar. */
    tailsM: z.tuple([tailField, tailField]).readonly().optional(),
    /** A roof slope: its pitch as typed, and what each edge of its first ring is. */
    slope: z
      .strictObject({
        pitch: formulaField,
        edges: z.array(z.enum(ROOF_EDGES).nullable()).max(STROKE_LIMIT).readonly(),
      })
      .readonly()
      .optional(),
    locked: z.boolean().optional(),
  })
  .readonly();

export type Mark = z.infer<typeof markSchema>;
