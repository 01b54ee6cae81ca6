import { propertyNode } from '../calculate/graph/nodes.ts';
import type { Doubt } from './doubt.ts';
import type { DoubtContext } from './context.ts';

const SLACK_M = 1e-6;

/** Openings that are higher than the wall they sit in, as its height says. */
export function openingsBeyondWalls({ job, figures, known }: DoubtContext): readonly Doubt[] {
  const doubts: Doubt[] = [];
  for (const { id, markId, scopeId, heightM } of job.opening.values()) {
    const host = job.mark.get(markId);
    if (host === undefined || host.kind !== 'run') continue;
    const node = propertyNode(host.scopeId, 'height');
    const wallM = figures.has(node) ? known(node) : undefined;
    if (wallM === undefined || heightM <= wallM + SLACK_M) continue;
    const wall = job.scope.get(host.scopeId)?.name ?? '';
    const opening = scopeId === null ? undefined : job.scope.get(scopeId)?.name;
    doubts.push({
      key: `opening-beyond-wall|${id}`,
      name: opening === undefined ? wall : `${opening} in ${wall}`,
      about: { rule: 'opening-beyond-wall', side: 'height', openingM: heightM, wallM },
      place: { at: 'marks', ids: [markId], sheetId: host.sheetId },
    });
  }
  return doubts;
}
