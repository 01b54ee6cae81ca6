import { propertyNode } from '../../calculate/graph/nodes.ts';
import { defineRule } from '../rule.ts';

const SLACK_M = 1e-6;

/** Openings that are higher than the wall they sit in, as its height says. */
export const openingBeyondWall = defineRule('opening-beyond-wall', 'openings', ({ job, figures, known }) =>
  [...job.opening.values()].flatMap(({ id, markId, scopeId, heightM }) => {
    const host = job.mark.get(markId);
    if (host === undefined || host.kind !== 'run') return [];
    const node = propertyNode(host.scopeId, 'height');
    const wallM = figures.has(node) ? known(node) : undefined;
    if (wallM === undefined || heightM <= wallM + SLACK_M) return [];
    const wall = job.scope.get(host.scopeId)?.name ?? '';
    const opening = scopeId === null ? undefined : job.scope.get(scopeId)?.name;
    return [
      {
        of: id,
        name: opening === undefined ? wall : `${opening} in ${wall}`,
        place: { at: 'marks' as const, ids: [markId], sheetId: host.sheetId },
        facts: { side: 'height' as const, openingM: heightM, wallM },
      },
    ];
  }),
);
