import { useDeferredValue } from 'react';
import { useStore } from 'zustand';
import type { Sheet } from '@zest/core/job/records/sheet';
import { useView } from '../stores/context.tsx';
import type { Tool } from '../stores/viewStore.ts';
import type { Desk } from './desk.ts';
import { CursorBox } from './overlays/CursorBox.tsx';
import { Dock } from './overlays/Dock.tsx';
import { Legend } from './overlays/Legend.tsx';
import { Magnifier } from './overlays/Magnifier.tsx';
import { MarkBar } from './overlays/MarkBar.tsx';
import { Overlay } from './overlays/Overlay.tsx';
import { ScaleNote } from './overlays/ScaleNote.tsx';
import { PaneZoom } from './SheetPane.tsx';
import { useDesk } from './useDesk.ts';
import { usePens } from './usePens.ts';
import { usePointer } from './usePointer.ts';
import { useSnap } from './useSnap.ts';

const CURSORS: Readonly<Record<Tool, string>> = {
  select: 'default',
  run: 'crosshair',
  area: 'crosshair',
  count: 'crosshair',
  slope: 'crosshair',
  opening: 'crosshair',
  schedule: 'crosshair',
  scale: 'crosshair',
  check: 'crosshair',
  straighten: 'default',
  level: 'crosshair',
  crop: 'crosshair',
  part: 'crosshair',
};

/** The sheet on the desk, with the marks on it and the pen over it. */
export function Workspace({ sheet }: { readonly sheet: Sheet }) {
  const { refs, desk, hits } = useDesk(sheet);
  const tool = useView((state) => state.tool);
  const sheetShown = useView((state) => state.sheetShown);
  const snapper = useSnap(sheet, hits);
  const pens = usePens(sheet, desk, hits, snapper);
  // The bar for the marks in hand is long; it follows once the sheet and the total stand.
  const later = useDeferredValue(pens);
  usePointer(refs.desk, desk, pens);
  return (
    <div className="desk-frame">
      <div
        ref={refs.desk}
        className="desk"
        tabIndex={0}
        role="application"
        aria-label={`Sheet ${sheet.number} ${sheet.title}`}
        data-sheet={sheet.id}
        data-tool={tool}
        data-snap={snapper.ready ?? 'reading'}
        data-snapping={snapper.on ? 'on' : 'off'}
        style={{ cursor: pens.grabbing ? 'grabbing' : CURSORS[tool] }}
      >
        <div ref={refs.paper} className="layer sheet-paper" />
        <div
          ref={refs.sheet}
          className="layer"
          style={{ opacity: { full: 1, dim: 0.35, hidden: 0 }[sheetShown] }}
        />
        <div ref={refs.marks} className="layer" />
        {desk === undefined ? null : (
          <>
            <Overlay desk={desk} pens={pens} sheet={sheet} />
            <CursorBox desk={desk} pens={pens} sheet={sheet} />
            <DrawnState desk={desk} />
            <PaneZoom desk={desk} />
            <Magnifier layer={refs.sheet} pens={pens} desk={desk} />
            <MarkBar pens={later} />
            <Legend sheet={sheet} desk={desk} />
          </>
        )}
        <ScaleNote sheet={sheet} pens={pens} />
      </div>
      <Dock pens={pens} />
    </div>
  );
}

const NOT_DRAWN = {
  damaged: 'This page couldn’t be drawn. Add the PDF again.',
  'too-dense': 'This page has too much on it to draw. Print it to a new PDF with less on it, then add that.',
  'too-long':
    'Drawing this page took too long, so it was stopped. Print it to a new PDF with less on it, then add that.',
} as const;

/** Tells readers and drivers when the sheet has come to rest. */
function DrawnState({ desk }: { readonly desk: Desk }) {
  const drawn = useStore(desk.store, (state) => state.drawn);
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
