import { askScope } from '../drawing.ts';
import { SAME_PX, type ToolModule } from './tool.ts';
import { t } from '../../messages/t.ts';

/** One click a thing. */
export const COUNT: ToolModule = {
  id: 'count',
  cursor: 'crosshair',
  snaps: false,
  magnified: true,
  dock: { name: t('workspace.count') },
  action: { label: t('workspace.count'), key: 'C' },
  begin: ({ stores }) => askScope(stores, 'count'),
  click: ({ place, toSheetPt }, { at }) => place.count(at, toSheetPt(SAME_PX)),
  key: ({ place }, { key, type }) => {
    if (key !== 'Backspace' || type !== 'keydown') return false;
    place.takeBackCount();
    return true;
  },
};
