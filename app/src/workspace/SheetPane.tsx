import { Maximize, Minus, Plus } from 'lucide-react';
import { type ReactNode, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { useStore } from 'zustand';
import type { Point } from '@zest/core/geometry/point';
import type { Snap } from '@zest/core/geometry/snap';
import type { Sheet } from '@zest/core/job/records/sheet';
import { type Camera, toScreen, toSheet, zoomAbout } from './camera.ts';
import type { Viewport } from './viewport.ts';
import { useViewport } from './useViewport.ts';
import type { PointerTarget } from './session.ts';
import { snapReach } from './snapper.ts';
import { usePanePointer } from './usePointer.ts';
import { useSnapper } from './useSnapper.ts';
import { IconButton } from '../parts/buttons.tsx';
import { t } from '../messages/t.ts';
import { styles } from './styles.ts';

interface SheetPaneProps {
  readonly sheet: Sheet;
  /** Told the place that is clicked, drawn to the sheet's lines; without it the sheet is only looked at. */
  readonly onPick?: (at: Point) => void;
  /** Drawn over the sheet. */
  readonly children?: (camera: Camera) => ReactNode;
}

/** A sheet with its marks to look at, with a zoom of its own. */
export function SheetPane({ sheet, onPick, children }: SheetPaneProps) {
  const { refs, viewport, hits } = useViewport(sheet, 'pane');
  const snapper = useSnapper(sheet, hits);
  const ready = useStore(snapper.store, (state) => state.ready);
  const [snap, setSnap] = useState<Snap | undefined>();
  const pick = useRef(onPick);
  useLayoutEffect(() => {
    pick.current = onPick;
  });
  const target = useMemo((): PointerTarget => {
    const placeAt = (screenPoint: Point): { readonly at: Point; readonly found: Snap | undefined } => {
      const camera = viewport?.store.getState().camera ?? { scale: 1, x: 0, y: 0 };
      const at = toSheet(camera, screenPoint);
      const found = snapper.snap(at, snapReach(camera.scale), undefined);
      return { at: found?.at ?? at, found };
    };
    return {
      onDown: () => 'click',
      onMove: (screenPoint) => setSnap(pick.current === undefined ? undefined : placeAt(screenPoint).found),
      onDragged: () => undefined,
      onDrop: () => undefined,
      onCancelDrag: () => undefined,
      onClick: (screenPoint) => pick.current?.(placeAt(screenPoint).at),
    };
  }, [viewport, snapper]);
  usePanePointer(refs.viewport, viewport, target);
  return (
    <div
      ref={refs.viewport}
      className="desk"
      tabIndex={0}
      role="application"
      aria-label={t('workspace.sheetBeside', { number: sheet.number, title: sheet.title })}
      data-snap={ready ?? 'reading'}
      style={{ cursor: onPick === undefined ? 'grab' : 'crosshair' }}
    >
      <div ref={refs.paper} className="layer sheet-paper" />
      <div ref={refs.sheet} className="layer" />
      <div ref={refs.marks} className="layer" />
      {viewport === undefined ? null : (
        <>
          <PaneOverlay viewport={viewport} snap={snap}>
            {children}
          </PaneOverlay>
          <PaneZoom viewport={viewport} />
        </>
      )}
    </div>
  );
}

interface PaneOverlayProps {
  readonly viewport: Viewport;
  readonly snap: Snap | undefined;
  readonly children: SheetPaneProps['children'];
}

function PaneOverlay({ viewport, snap, children }: PaneOverlayProps) {
  const camera = useStore(viewport.store, (state) => state.camera);
  const at = snap === undefined ? undefined : toScreen(camera, snap.at);
  return (
    <svg className="overlay" aria-hidden="true">
      {children?.(camera)}
      {at === undefined ? null : (
        <circle cx={at.x} cy={at.y} r="8" fill="none" stroke="#1E4B39" strokeWidth="2" />
      )}
    </svg>
  );
}

/** The three buttons that every sheet on a desk has. */
export function PaneZoom({ viewport }: { readonly viewport: Viewport }) {
  const by = (factor: number) => (): void => {
    const { camera, screen } = viewport.store.getState();
    viewport.setCamera(zoomAbout(camera, { x: screen.width / 2, y: screen.height / 2 }, factor));
  };
  return (
    <div className={styles.zoom} onPointerDown={(event) => event.stopPropagation()}>
      <IconButton aria-label={t('workspace.zoomIn')} title={t('workspace.zoomIn2')} onClick={by(1.4)}>
        <Plus size={16} />
      </IconButton>
      <IconButton
        aria-label={t('workspace.showTheWholeSheet')}
        title={t('workspace.wholeSheet0')}
        onClick={viewport.fit}
      >
        <Maximize size={15} />
      </IconButton>
      <IconButton aria-label={t('workspace.zoomOut')} title={t('workspace.zoomOut2')} onClick={by(1 / 1.4)}>
        <Minus size={16} />
      </IconButton>
    </div>
  );
}
