import { boundsOf } from '@zest/core/geometry/bounds';
import { type BoxTool, finishBox } from '../boxes.ts';
import type { ToolModule } from './tool.ts';
import { t } from '../../messages/t.ts';

/** A tool that begins with a box dragged on the sheet. */
const makeBoxed = (id: BoxTool, own: Partial<ToolModule> = {}): ToolModule => ({
  id,
  cursor: 'crosshair',
  snaps: false,
  magnified: false,
  press: ({ set }, { at }) => {
    set({ box: { from: at, to: at } });
    return 'drag';
  },
  drag: ({ state, set }, at) => {
    const { box } = state();
    if (box !== undefined) set({ box: { ...box, to: at } });
  },
  drop: ({ stores, state, set, sheet }) => {
    const { box } = state();
    set({ box: undefined });
    if (box !== undefined) finishBox(stores, id, sheet(), boundsOf([box.from, box.to]));
  },
  ...own,
});

export const SCHEDULE = makeBoxed('schedule', {
  action: { label: t('workspace.readAScheduleBoxItOnThe'), key: 'T' },
});
export const CROP = makeBoxed('crop');
/** A part of the sheet with a scale of its own. */
export const PART = makeBoxed('part');

/** Straightening is done by the buttons of its note; the sheet itself takes no clicks. */
export const STRAIGHTEN: ToolModule = { id: 'straighten', cursor: 'default', snaps: false, magnified: false };
