import type { Point } from '@zest/core/geometry/point';
import { type KeyboardEvent, type PointerEvent, useMemo, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { put } from '@zest/core/job/change';
import type { Sheet } from '@zest/core/job/records/sheet';
import { Swatch } from '../../figures/Swatch.tsx';
import { useFormats, useJobActions, useOpenJobLater, useView } from '../../stores/context.tsx';
import { toScreen } from '../camera.ts';
import type { Viewport } from '../viewport.ts';
import { LEGEND, legendRows } from '../legendRows.ts';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import type { Scope } from '@zest/core/job/records/scope';

interface LegendProps {
  readonly sheet: Sheet;
  readonly viewport: Viewport;
}

/** What is measured on the sheet, in a box that is dragged where there is room and printed with it. */
export function Legend({ sheet, viewport }: LegendProps) {
  const { legend } = sheet;
  if (legend === undefined) return null;
  return <LegendBox sheet={sheet} viewport={viewport} legend={legend} />;
}

interface LegendBoxProps extends LegendProps {
  readonly legend: NonNullable<Sheet['legend']>;
}

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-8, 0],
  ArrowRight: [8, 0],
  ArrowUp: [0, -8],
  ArrowDown: [0, 8],
};

function LegendBox({ sheet, viewport, legend }: LegendBoxProps) {
  const camera = useStore(viewport.store, (state) => state.camera);
  const { figures } = useOpenJobLater();
  const { display } = useFormats();
  const hidden = useView((state) => state.hidden);
  const alone = useView((state) => state.alone);
  const colorBy = useView((state) => state.colorBy);
  const rows = useMemo(
    () => legendRows(figures, sheet, display, { hidden, alone, colorBy }),
    [figures, sheet, display, hidden, alone, colorBy],
  );
  const at = toScreen(camera, legend);
  const { moved, handlers } = useMoving(sheet, legend, camera.scale);
  return (
    <div
      className={styles.legend}
      role="group"
      aria-label={t('workspace.legendDragItOrMoveItWith')}
      tabIndex={0}
      style={{
        transform: `translate(${at.x + moved.x}px, ${at.y + moved.y}px) scale(${camera.scale})`,
        width: LEGEND.width,
        padding: LEGEND.pad,
        fontSize: LEGEND.text,
      }}
      {...handlers}
    >
      <b>{t('workspace.measured', { number: sheet.number })}</b>
      {rows.length === 0 ? <div className="soft">{t('workspace.nothingOnThisSheetYet')}</div> : null}
      {rows.map(({ scope, colors, figure }) => (
        <LegendRow key={scope.id} scope={scope} colors={colors} figure={figure} />
      ))}
    </div>
  );
}

interface LegendRowProps {
  readonly scope: Scope;
  readonly colors: readonly number[];
  readonly figure: string;
}

function LegendRow({ scope, colors, figure }: LegendRowProps) {
  return (
    <div className={styles.legendRow} style={{ height: LEGEND.row }}>
      <span className={styles.legendSwatches}>
        {colors.map((color) => (
          <Swatch key={color} color={color} kind={scope.kind} />
        ))}
      </span>
      <span className="cut">{scope.name}</span>
      <span>{figure}</span>
    </div>
  );
}

/** The legend is moved by hand or by arrow keys; where it comes to rest is one step. */
function useMoving(sheet: Sheet, legend: Point, scale: number) {
  const actions = useJobActions();
  const press = useRef<Point | undefined>(undefined);
  const [moved, setMoved] = useState({ x: 0, y: 0 });
  const settle = (dx: number, dy: number): void => {
    setMoved({ x: 0, y: 0 });
    if (dx === 0 && dy === 0) return;
    actions.transact(
      t('workspace.moveTheLegend'),
      put({ ...sheet, legend: { x: legend.x + dx / scale, y: legend.y + dy / scale } }),
    );
  };
  return {
    moved,
    handlers: {
      onPointerDown: (event: PointerEvent<HTMLElement>) => {
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        press.current = { x: event.clientX, y: event.clientY };
      },
      onPointerMove: (event: PointerEvent) => {
        if (press.current !== undefined)
          setMoved({ x: event.clientX - press.current.x, y: event.clientY - press.current.y });
      },
      onPointerUp: () => {
        if (press.current === undefined) return;
        press.current = undefined;
        settle(moved.x, moved.y);
      },
      onKeyDown: (event: KeyboardEvent) => {
        const step = STEPS[event.key];
        if (step === undefined) return;
        event.preventDefault();
        event.stopPropagation();
        settle(...step);
      },
    },
  };
}
