import { useStore } from 'zustand';
import type { Sheet } from '@zest/core/job/records/sheet';
import { useView } from '../stores/context.tsx';
import type { Viewport } from './viewport.ts';
import { CursorBox } from './overlays/CursorBox.tsx';
import { Dock } from './overlays/Dock.tsx';
import { HoleNote } from './overlays/HoleNote.tsx';
import { Legend } from './overlays/Legend.tsx';
import { Magnifier } from './overlays/Magnifier.tsx';
import { MarkBar } from './overlays/MarkBar.tsx';
import { Overlay } from './overlays/Overlay.tsx';
import { ScopeAsk } from './overlays/ScopeAsk.tsx';
import { ScaleNote } from './overlays/ScaleNote.tsx';
import { PaneZoom } from './SheetPane.tsx';
import { useViewport } from './useViewport.ts';
import { TOOLBOX } from './tools/toolbox.ts';
import { usePointer } from './usePointer.ts';
import { useSession } from './useSession.ts';
import { useSnapper } from './useSnapper.ts';
import { t } from '../messages/t.ts';
import { styles } from './styles.ts';

/** The sheet on the desk, with the marks on it and the pen over it. */
export function Workspace({ sheet }: { readonly sheet: Sheet }) {
  const { refs, viewport, hits } = useViewport(sheet);
  const tool = useView((state) => state.tool);
  const sheetShown = useView((state) => state.sheetShown);
  const snapper = useSnapper(sheet, hits);
  const snapping = useStore(snapper.store);
  const session = useSession(sheet.id, viewport, hits, snapper);
  usePointer(refs.viewport, viewport, session);
  return (
    <div className={styles.deskFrame}>
      <div
        ref={refs.viewport}
        className="desk"
        tabIndex={0}
        role="application"
        aria-label={t('workspace.sheet', { number: sheet.number, title: sheet.title })}
        data-sheet={sheet.id}
        data-tool={tool}
        data-snap={snapping.ready ?? 'reading'}
        data-snapping={snapping.on ? 'on' : 'off'}
        style={{ cursor: TOOLBOX[tool].cursor }}
      >
        <div ref={refs.paper} className="layer sheet-paper" />
        <div
          ref={refs.sheet}
          className="layer"
          style={{ opacity: { full: 1, dim: 0.35, hidden: 0 }[sheetShown] }}
        />
        <div ref={refs.marks} className="layer" />
        {viewport === undefined || session === undefined ? null : (
          <>
            <Overlay viewport={viewport} session={session} snapper={snapper} sheet={sheet} />
            <CursorBox viewport={viewport} session={session} sheet={sheet} />
            <DrawnState viewport={viewport} />
            <PaneZoom viewport={viewport} />
            <Magnifier layer={refs.sheet} session={session} viewport={viewport} />
            <MarkBar session={session} sheet={sheet} />
            <Legend sheet={sheet} viewport={viewport} />
            <HoleNote session={session} />
            <ScopeAsk session={session} viewport={viewport} />
            <ScaleNote sheet={sheet} session={session} />
          </>
        )}
      </div>
      {session === undefined ? null : <Dock session={session} snapper={snapper} />}
    </div>
  );
}

const NOT_DRAWN = {
  damaged: t('workspace.thisPageCouldntBeDrawnAddThe'),
  'too-dense': t('workspace.thisPageHasTooMuchOnIt'),
  'too-long': t('workspace.drawingThisPageTookTooLongSo'),
} as const;

/** Tells readers and drivers when the sheet has come to rest. */
function DrawnState({ viewport }: { readonly viewport: Viewport }) {
  const drawn = useStore(viewport.store, (state) => state.drawn);
  return (
    <div
      className="desk-state"
      data-drawn={drawn}
      role="status"
      style={{ position: 'absolute', left: 12, bottom: 12, fontSize: 12 }}
    >
      {drawn === 'drawing' || drawn === 'sharp' ? null : <span className="wrong">{NOT_DRAWN[drawn]}</span>}
    </div>
  );
}
