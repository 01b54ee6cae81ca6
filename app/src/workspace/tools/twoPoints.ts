import type { Tool } from '../../stores/viewStore.ts';
import { levelSheet } from '../straighten.ts';
import { NO_POINTS, type TwoEvent, pickTwo } from './measureTwo.ts';
import type { ToolContext, ToolModule } from './tool.ts';
import { t } from '../../messages/t.ts';

const pick = ({ state, set }: ToolContext, event: TwoEvent): void =>
  set({ two: pickTwo(state().two, event) });

function makeTwoPoints(id: Tool, own: Partial<ToolModule>): ToolModule {
  return {
    id,
    cursor: 'crosshair',
    snaps: true,
    magnified: true,
    move: (context, { at, shift }) => pick(context, { type: 'move', at, square: shift }),
    click: (context, { at, shift }) => pick(context, { type: 'click', at, square: shift }),
    key: (context, { key, type }) => {
      if (key !== 'Backspace' || type !== 'keydown') return false;
      pick(context, { type: 'back' });
      return true;
    },
    interrupt: ({ set }) => set({ two: NO_POINTS }),
    ...own,
  };
}

/** Sets the scale by two points whose distance is known. */
export const SCALE = makeTwoPoints('scale', {
  action: { label: t('workspace.setTheScaleByTwoPoints'), key: 'S' },
});

/** Measures a known dimension back. */
export const CHECK = makeTwoPoints('check', {
  action: { label: t('workspace.measureBackAKnownDimension'), key: 'B' },
});

/** Turns the sheet so that a line on it is level. */
export const LEVEL = makeTwoPoints('level', {
  click: (context, { at }) => {
    const { a, b } = pickTwo(context.state().two, { type: 'click', at, square: false });
    if (a !== undefined && b !== undefined) {
      context.set({ two: NO_POINTS });
      levelSheet(context.stores, context.sheet(), a, b);
    } else pick(context, { type: 'click', at, square: false });
  },
});
