import { lineNode } from '../../calculate/graph/nodes.ts';
import { unitOfLine } from '../../estimate/lineSources.ts';
import type { LineAt } from '../../estimate/lineSources.ts';
import type { Job } from '../../job/job.ts';
import { overrideOf } from '../../job/overrides.ts';
import { aboutLine } from '../aboutLine.ts';
import { defineRule } from '../rule.ts';

/** A pinned quantity that is this far from the flowing one is asked about. */
const PINNED_FAR = 0.1;

const isPinned = (job: Job, { key, of }: LineAt): boolean =>
  (of.by === 'line' ? of.made.pinned : job.override.size === 0 ? undefined : overrideOf(job, key)?.pinned) !==
  undefined;

export const pinnedFar = defineRule('pinned-far', 'lines', (context) =>
  context.lines.flatMap((line) => {
    if (!isPinned(context.job, line)) return [];
    const node = lineNode(line.key, 'flowing');
    if (!context.figures.has(node)) return [];
    const [flowing, pinned] = [context.known(node), context.known(lineNode(line.key, 'quantity'))];
    if (flowing === undefined || pinned === undefined) return [];
    const isFar = Math.abs(pinned - flowing) > PINNED_FAR * Math.max(Math.abs(flowing), Math.abs(pinned));
    return isFar ? [aboutLine(context, line, { pinned, flowing, unit: unitOfLine(line) })] : [];
  }),
);
