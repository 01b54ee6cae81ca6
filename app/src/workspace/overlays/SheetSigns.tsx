import { useMemo } from 'react';
import { junctionsOnSheet } from '@zest/core/calculate/sources/junctions';
import type { Scope } from '@zest/core/job/records/scope';
import type { Sheet } from '@zest/core/job/records/sheet';
import type { SheetText } from '@zest/core/takeoff/pageText';
import { useSheetTexts } from '../../platform/useSheetTexts.ts';
import { useOpenJob, useView } from '../../stores/context.tsx';
import { type Camera, toScreen } from '../camera.ts';
import { boxOf } from '../tools/forms.ts';

interface SignsProps {
  readonly sheet: Sheet;
  readonly camera: Camera;
}

const pointsOf = (camera: Camera, ring: readonly { readonly x: number; readonly y: number }[]): string =>
  ring
    .map((at) => toScreen(camera, at))
    .map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`)
    .join(' ');

/** Parts of the sheet that have a scale of their own, framed and named. */
export function ScaleAreas({ sheet, camera }: SignsProps) {
  const part = useView((state) => state.part);
  const tool = useView((state) => state.tool);
  return (
    <g>
      {(sheet.scaleAreas ?? []).map(({ name, x, y, width, height, scale }, index) => {
        const at = toScreen(camera, { x, y });
        return (
          <g key={index} className="scale-area">
            <polygon points={pointsOf(camera, boxOf({ x, y }, { x: x + width, y: y + height }))} />
            <text x={at.x + 5} y={at.y + 14}>
              {[name, scale.source.by === 'ratio' ? scale.source.text : 'measured']
                .filter(Boolean)
                .join('  ')}
            </text>
          </g>
        );
      })}
      {part === undefined || tool !== 'part' ? null : (
        <polygon
          className="scale-area new"
          points={pointsOf(camera, boxOf({ x: part.minX, y: part.minY }, { x: part.maxX, y: part.maxY }))}
        />
      )}
    </g>
  );
}

const JUNCTION_SIGNS = [
  ['ends', 'end', '#1E4B39'],
  ['corners', 'corner', '#B8450B'],
  ['tees', 'tee', '#5B3A8E'],
  ['crossings', 'crossing', '#0B5C8C'],
] as const;

/** Dots where runs of the scope in hand end and meet, each with its word when there is room. */
export function JunctionDots({ sheet, camera }: SignsProps) {
  const { job } = useOpenJob();
  const shown = useView((state) => state.junctionsShown);
  const penScope = useView((state) => state.penScope);
  const scope = job.scope.get(penScope as Scope['id']);
  const groups = useMemo(
    () => (shown && scope !== undefined ? junctionsOnSheet(job, scope.id, sheet.id) : []),
    // Of the job only its marks make junctions; the camera moves at every frame.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [shown, scope, job.mark, sheet.id],
  );
  const worded = camera.scale > 0.9;
  return (
    <g className="junctions">
      {groups.flatMap((found, group) =>
        JUNCTION_SIGNS.flatMap(([kind, word, color]) =>
          found[kind].map((at, index) => {
            const { x, y } = toScreen(camera, at);
            return (
              <g key={`${group} ${kind} ${index}`}>
                <circle cx={x} cy={y} r="5.5" fill={color} stroke="#fff" strokeWidth="1.5" />
                {worded ? (
                  <text x={x + 8} y={y - 7}>
                    {word}
                  </text>
                ) : null}
              </g>
            );
          }),
        ),
      )}
    </g>
  );
}

/** Where words that were looked for stand on the sheet. */
export function TextHits({ sheet, camera }: SignsProps) {
  const sought = useView((state) => state.soughtText);
  const hits = useTextHits(sheet, sought);
  return (
    <g className="text-hits" data-hits={hits.length}>
      {hits.map(({ x, y, width, height }, index) => (
        <polygon
          key={index}
          points={pointsOf(
            camera,
            boxOf({ x: x - 3, y: y - height - 2 }, { x: x + width + 3, y: y + height * 0.35 }),
          )}
        />
      ))}
    </g>
  );
}

/** Texts on the sheet that hold every word looked for; read when they are first asked for. */
export function useTextHits(sheet: Sheet, sought: string): readonly SheetText[] {
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  const texts = useSheetTexts(sheet, words.length > 0);
  return texts.filter(({ text }) => words.every((word) => text.toLowerCase().includes(word)));
}
