import { type RefObject, useEffect, useRef } from 'react';
import { useStore } from 'zustand';
import { useView } from '../../stores/context.tsx';
import { toScreen } from '../camera.ts';
import type { Viewport } from '../viewport.ts';
import { TOOLBOX } from '../tools/toolbox.ts';
import type { Session } from '../session.ts';
import { useSessionState } from '../useSession.ts';

const SIZE_PX = 132;
const TIMES = 4;
/** Zoomed in this far, there is nothing a magnifier would add. */
const CLOSE_SCALE = 2;

interface MagnifierProps {
  readonly layer: RefObject<HTMLDivElement | null>;
  readonly session: Session;
  readonly viewport: Viewport;
}

/** The sheet around the pen's point, enlarged, while placing points on a sheet seen from afar. */
export function Magnifier({ layer, session, viewport }: MagnifierProps) {
  const camera = useStore(viewport.store, (state) => state.camera);
  const canvas = useRef<HTMLCanvasElement>(null);
  const pointer = useSessionState(session, (state) => state.pointer);
  const tool = useView((state) => state.tool);
  const shown = pointer !== undefined && TOOLBOX[tool].magnified && camera.scale < CLOSE_SCALE;
  useEffect(() => {
    const context = canvas.current?.getContext('2d') ?? null;
    if (context === null || pointer === undefined || layer.current === null) return;
    const perPoint = camera.scale * TIMES;
    const side = SIZE_PX / perPoint;
    const [left, top] = [pointer.x - side / 2, pointer.y - side / 2];
    context.fillStyle = '#fff';
    context.fillRect(0, 0, SIZE_PX, SIZE_PX);
    for (const picture of layer.current.querySelectorAll('canvas')) {
      if (picture.hidden) continue;
      // Layers stand in sheet points by their styles; their pixels are finer.
      const [x, y, width] = [picture.style.left, picture.style.top, picture.style.width].map(
        Number.parseFloat,
      ) as [number, number, number];
      const fine = picture.width / width;
      context.drawImage(
        picture,
        (left - x) * fine,
        (top - y) * fine,
        side * fine,
        side * fine,
        0,
        0,
        SIZE_PX,
        SIZE_PX,
      );
    }
    context.strokeStyle = '#B8450B';
    context.lineWidth = 1;
    context.beginPath();
    context.moveTo(SIZE_PX / 2, SIZE_PX / 2 - 14);
    context.lineTo(SIZE_PX / 2, SIZE_PX / 2 + 14);
    context.moveTo(SIZE_PX / 2 - 14, SIZE_PX / 2);
    context.lineTo(SIZE_PX / 2 + 14, SIZE_PX / 2);
    context.stroke();
  });
  if (!shown) return null;
  const at = toScreen(camera, pointer);
  // Out of the hand's way: in the corner the pointer is not in.
  const right = at.x < 260 && at.y < 260;
  return (
    <canvas
      ref={canvas}
      className="magnifier"
      width={SIZE_PX}
      height={SIZE_PX}
      style={right ? { right: 12, top: 52 } : { left: 12, top: 12 }}
      aria-hidden="true"
    />
  );
}
