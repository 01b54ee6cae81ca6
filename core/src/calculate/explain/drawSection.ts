import type { Frame } from '../../assemblies/frames.ts';
import type { SectionShape } from '../../job/records/assembly.ts';
import type { Figures } from '../figures.ts';
import { componentNames } from '../lines/use.ts';
import { holds, workOutLength } from './evaluate.ts';

interface Placed {
  readonly fill: SectionShape['fill'];
  readonly label: string;
  readonly xM: number;
  readonly yM: number;
}

/** A piece of a drawn section in meters; x runs right and y runs up. */
export type DrawnShape =
  | (Placed & {
      readonly shape: 'box';
      readonly widthM: number;
      readonly heightM: number;
      readonly flareM: number;
    })
  | (Placed & { readonly shape: 'ring'; readonly outerM: number; readonly innerM: number })
  | (Placed & { readonly shape: 'line'; readonly toXM: number; readonly toYM: number });

export interface DrawnSection {
  readonly shapes: readonly DrawnShape[];
  readonly leftM: number;
  readonly rightM: number;
  readonly bottomM: number;
  readonly topM: number;
}

/**
 * The section of an assembly by its answers of the moment. Undefined while it has none, or while a
 * figure that it is drawn by is not known.
 */
export function drawSection(figures: Figures, frame: Frame): DrawnSection | undefined {
  const names = componentNames(figures.job, frame);
  const due = (frame.assembly.section ?? []).filter(
    ({ when = '' }) => when === '' || holds(figures, when, names) === true,
  );
  const shapes: DrawnShape[] = [];
  for (const shape of due) {
    const [x, y, width, height, flare] = [
      shape.x,
      shape.y,
      shape.width,
      shape.height,
      shape.flare ?? '0',
    ].map((text) => workOutLength(figures, text, names));
    if (
      x === undefined ||
      y === undefined ||
      width === undefined ||
      height === undefined ||
      flare === undefined
    )
      return undefined;
    const placed: Placed = { fill: shape.fill, label: shape.label ?? '', xM: x, yM: y };
    if (shape.shape === 'box')
      shapes.push({ ...placed, shape: 'box', widthM: width, heightM: height, flareM: flare });
    else if (shape.shape === 'ring') shapes.push({ ...placed, shape: 'ring', outerM: width, innerM: height });
    else shapes.push({ ...placed, shape: 'line', toXM: x + width, toYM: y + height });
  }
  return shapes.length === 0 ? undefined : { shapes, ...boundsOf(shapes) };
}

function extentOf(shape: DrawnShape): readonly (readonly [x: number, y: number])[] {
  const { xM, yM } = shape;
  switch (shape.shape) {
    case 'box':
      return [
        [xM - Math.max(0, shape.flareM), yM],
        [xM + shape.widthM + Math.max(0, shape.flareM), yM + shape.heightM],
      ];
    case 'ring':
      return [
        [xM - shape.outerM / 2, yM - shape.outerM / 2],
        [xM + shape.outerM / 2, yM + shape.outerM / 2],
      ];
    case 'line':
      return [
        [xM, yM],
        [shape.toXM, shape.toYM],
      ];
  }
}

function boundsOf(shapes: readonly DrawnShape[]): Omit<DrawnSection, 'shapes'> {
  const points = shapes.flatMap(extentOf);
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return {
    leftM: Math.min(...xs),
    rightM: Math.max(...xs),
    bottomM: Math.min(...ys),
    topM: Math.max(...ys),
  };
}
