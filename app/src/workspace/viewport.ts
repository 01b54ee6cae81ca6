import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Sheet } from '@zest/core/job/records/sheet';
import type { SheetFiles } from '../platform/sheetFiles.ts';
import type { MarksWorker } from '../workers/marksProtocol.ts';
import { type Camera, type Size, fitSheet } from './camera.ts';
import { type MarksLayer, createMarksLayer } from './render/marksLayer.ts';
import { type SheetState, createSheetLayer } from './render/sheetLayer.ts';

export interface ViewportState {
  readonly camera: Camera;
  readonly screen: Size;
  readonly drawn: SheetState;
}

/** The three layers on the desk and the camera that moves them. */
export interface Viewport {
  readonly store: StoreApi<ViewportState>;
  readonly marks: MarksLayer;
  readonly setCamera: (camera: Camera) => void;
  readonly fit: () => void;
  readonly show: (sheet: Sheet) => void;
  readonly end: () => void;
}

/** Where sheets were looked at; the main desk remembers it while the page is open. A sheet seen whole has none. */
export type Cameras = Map<string, Camera>;

interface Layers {
  readonly paper: HTMLElement;
  readonly sheet: HTMLElement;
  readonly marks: HTMLElement;
}

const startIn = (screen: Size): ViewportState => ({
  camera: { scale: 1, x: 0, y: 0 },
  screen,
  drawn: 'drawing',
});

export function createViewport(
  element: HTMLElement,
  layers: Layers,
  files: SheetFiles,
  marksWorker: MarksWorker & { readonly end: () => void },
  cameras: Cameras,
): Viewport {
  const { width, height } = element.getBoundingClientRect();
  const store = createStore<ViewportState>(() => startIn({ width, height }));
  const sheetLayer = createSheetLayer(layers.sheet, files, (drawn) => store.setState({ drawn }));
  const marks = createMarksLayer(layers.marks, marksWorker, () => (element.dataset['marks'] = 'drawn'));
  let shown: Sheet | undefined;
  /** The room the sheet was last fitted to. */
  let fitted: Size = { width, height };

  const apply = (): void => {
    const { camera, screen } = store.getState();
    showCamera(element, layers, camera);
    sheetLayer.look(camera, screen);
    marks.look(camera, screen);
  };
  const setCamera = (camera: Camera): void => {
    if (shown !== undefined) cameras.set(shown.id, camera);
    store.setState({ camera });
    apply();
  };
  /** A sheet without a remembered camera is seen whole, and is kept whole when the room changes. */
  const fit = (): void => {
    if (shown === undefined) return;
    fitted = store.getState().screen;
    setCamera(fitSheet({ width: shown.widthPt, height: shown.heightPt }, fitted));
    cameras.delete(shown.id);
  };
  const watcher = watchSize(element, (screen) => {
    store.setState({ screen });
    if (shown === undefined || cameras.has(shown.id) || onlyFootOf(fitted, screen)) apply();
    else fit();
  });

  return {
    store,
    marks,
    setCamera,
    fit,
    show: (sheet) => {
      const resized =
        shown?.id === sheet.id && (shown.widthPt !== sheet.widthPt || shown.heightPt !== sheet.heightPt);
      shown = sheet;
      Object.assign(layers.paper.style, { width: `${sheet.widthPt}px`, height: `${sheet.heightPt}px` });
      sheetLayer.show(sheet);
      const known = cameras.get(sheet.id);
      if (known === undefined || resized) fit();
      else setCamera(known);
    },
    end: () => {
      watcher.disconnect();
      sheetLayer.end();
      marks.end();
    },
  };
}

/** As much as the through-line takes from below when something is selected. */
const FOOT_PX = 60;

/** The through-line comes and goes with every selection, and the sheet must not move under the hand by it. */
const onlyFootOf = (fitted: Size, screen: Size): boolean =>
  screen.width === fitted.width && Math.abs(screen.height - fitted.height) <= FOOT_PX;

function showCamera(element: HTMLElement, layers: Layers, camera: Camera): void {
  const transform = `translate(${camera.x}px, ${camera.y}px) scale(${camera.scale})`;
  for (const layer of Object.values(layers)) layer.style.transform = transform;
  // A driver places points truly by these: screen = sheet x scale + offset, from the desk's corner.
  element.dataset['cameraScale'] = String(camera.scale);
  element.dataset['cameraX'] = String(camera.x);
  element.dataset['cameraY'] = String(camera.y);
  element.dataset['marks'] = 'drawing';
}

function watchSize(element: HTMLElement, onSize: (size: Size) => void): ResizeObserver {
  const watcher = new ResizeObserver(([entry]) => {
    const box = entry?.contentRect;
    if (box !== undefined && box.width > 0) onSize({ width: box.width, height: box.height });
  });
  watcher.observe(element);
  return watcher;
}
