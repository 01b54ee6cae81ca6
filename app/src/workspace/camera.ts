import type { Point } from '@zest/core/geometry/point';

/** How the sheet stands on the screen: screen = sheet x scale + offset, in CSS pixels. */
export interface Camera {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

export interface Size {
  readonly width: number;
  readonly height: number;
}

export const SMALLEST_SCALE = 0.05;
export const LARGEST_SCALE = 24;

export const toScreen = (camera: Camera, sheetPoint: Point): Point => ({
  x: sheetPoint.x * camera.scale + camera.x,
  y: sheetPoint.y * camera.scale + camera.y,
});

export const toSheet = (camera: Camera, screenPoint: Point): Point => ({
  x: (screenPoint.x - camera.x) / camera.scale,
  y: (screenPoint.y - camera.y) / camera.scale,
});

/** Zooms about a place on the screen, which stays where it is. */
export function zoomAbout(camera: Camera, screenPoint: Point, factor: number): Camera {
  const scale = Math.min(LARGEST_SCALE, Math.max(SMALLEST_SCALE, camera.scale * factor));
  const kept = toSheet(camera, screenPoint);
  return { scale, x: screenPoint.x - kept.x * scale, y: screenPoint.y - kept.y * scale };
}

export const panBy = (camera: Camera, dx: number, dy: number): Camera => ({
  ...camera,
  x: camera.x + dx,
  y: camera.y + dy,
});

/** The whole sheet with a little desk around it. */
export function fitSheet(sheet: Size, screen: Size, margin = 16): Camera {
  const scale = Math.min(
    (screen.width - 2 * margin) / sheet.width,
    (screen.height - 2 * margin) / sheet.height,
  );
  const safe = Math.max(SMALLEST_SCALE, scale);
  return {
    scale: safe,
    x: (screen.width - sheet.width * safe) / 2,
    y: (screen.height - sheet.height * safe) / 2,
  };
}
