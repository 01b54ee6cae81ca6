import type { Point } from '@zest/core/geometry/point';
import type { Mark } from '@zest/core/job/records/mark';
import { NEAR_PX, SAME_PX, type ToolContext, type ToolModule } from './tool.ts';
import { t } from '../../messages/t.ts';

/** A wall is clicked less exactly than a mark is selected. */
const HOST_PX = 2.5 * NEAR_PX;

/** The mark that would hold an opening placed there. */
export const hostAt = ({ hits, marks, toSheetPt }: ToolContext, at: Point): Mark | undefined =>
  hits.find(at, toSheetPt(HOST_PX), (mark) => mark.kind !== 'count' && marks.shown(mark));

/** Places openings in runs, areas and roof slopes. */
export const OPENING: ToolModule = {
  id: 'opening',
  cursor: 'crosshair',
  snaps: false,
  magnified: false,
  dock: { name: t('workspace.opening') },
  action: { label: t('workspace.placeOpeningsInWallsAndAreas'), key: 'O' },
  click: (context, { at }) => context.place.opening(hostAt(context, at), at, context.toSheetPt(SAME_PX)),
  key: ({ place }, { key, type }) => {
    if (key !== 'Backspace' || type !== 'keydown') return false;
    place.takeBackOpening();
    return true;
  },
};
