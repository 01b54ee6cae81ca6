import { lineNode } from '../../calculate/graph/nodes.ts';
import { unitOfLine } from '../../estimate/lineSources.ts';
import { aboutLine } from '../aboutLine.ts';
import { defineRule } from '../rule.ts';

/** A pinned quantity that is this far from the flowing one is asked about. */
const PINNED_FAR = 0.1;

export const pinnedFar = defineRule('pinned-far', 'lines', (context) =>
  context.lines.flatMap((line) => {
    const node = lineNode(line.key, 'flowing');
    if (!context.figures.has(node)) return [];
    const [flowing, pinned] = [context.known(node), context.known(lineNode(line.key, 'quantity'))];
    if (flowing === undefined || pinned === undefined) return [];
    const isFar = Math.abs(pinned - flowing) > PINNED_FAR * Math.max(Math.abs(flowing), Math.abs(pinned));
    return isFar ? [aboutLine(context, line, { pinned, flowing, unit: unitOfLine(line) })] : [];
  }),
);
