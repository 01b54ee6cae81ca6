import type { Picture } from '@zest/core/formats/document/printed';
import { groupBy } from '@zest/core/job/groupBy';
import type { Job } from '@zest/core/job/job';
import type { Mark } from '@zest/core/job/records/mark';
import type { Sheet } from '@zest/core/job/records/sheet';
import { scaleOfMark } from '@zest/core/job/scaleAt';
import { base64Of } from '../platform/base64.ts';
import { createSheetFiles } from '../platform/sheetFiles.ts';
import type { Services } from '../platform/services.ts';
import { packMark, styleOf } from './render/marksLayer.ts';

/** A part of a sheet in sheet points. */
export interface SheetPart {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface DrawnSheet {
  readonly sheet: Sheet;
  readonly part: SheetPart;
  readonly marks: readonly Mark[];
  /** What is written on marks, by mark. */
  readonly labels: ReadonlyMap<string, string>;
  readonly widthPx: number;
}

export const wholeSheet = ({ widthPt, heightPt }: Sheet): SheetPart => ({
  x: 0,
  y: 0,
  width: widthPt,
  height: heightPt,
});

/** Draws parts of sheets with marks on them, for paper. */
export interface SheetDrawer {
  readonly draw: (drawn: DrawnSheet) => Promise<Picture>;
  readonly end: () => void;
}

const QUALITY = 0.82;
/** Nine points on paper, at the width of a picture between the margins. */
const LABEL_PX = 18;

export function createSheetDrawer(services: Services, jobId: string, job: Job): SheetDrawer {
  const files = createSheetFiles(services, jobId);
  const marksWorker = services.createMarksWorker();
  const openings = groupBy(job.opening.values(), ({ markId }): string => markId);
  const draw = async ({ sheet, part, marks, labels, widthPx }: DrawnSheet): Promise<Picture> => {
    const scale = widthPx / part.width;
    const heightPx = Math.max(1, Math.round(part.height * scale));
    const tile = {
      scale,
      x: Math.round(part.x * scale),
      y: Math.round(part.y * scale),
      width: widthPx,
      height: heightPx,
    };
    const page = await files.render(sheet, tile);
    await marksWorker.load(
      marks.map((mark) =>
        packMark({
          mark,
          openings: openings.get(mark.id) ?? [],
          metersPerPoint: scaleOfMark(job, mark)?.xMetersPerPoint,
        }),
      ),
    );
    await marksWorker.style(stylesOf(job, marks));
    await marksWorker.label([...labels]);
    const over = await marksWorker.draw(
      { x: part.x, y: part.y, scale, width: widthPx, height: heightPx, labelPx: LABEL_PX },
      'proper',
      [],
    );
    const canvas = new OffscreenCanvas(widthPx, heightPx);
    const context = canvas.getContext('2d');
    if (context === null) throw new Error('drawSheet: the browser gave no canvas');
    context.fillStyle = '#fff';
    context.fillRect(0, 0, widthPx, heightPx);
    context.drawImage(page, 0, 0);
    context.drawImage(over, 0, 0);
    page.close();
    over.close();
    const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
    return {
      mediaType: 'image/jpeg',
      data: await base64Of(blob),
      widthPx,
      heightPx,
    };
  };
  return { draw, end: marksWorker.end };
}

/** Marks in the color of their scope, whatever the screen tells apart. */
function stylesOf(
  job: Job,
  marks: readonly Mark[],
): Parameters<ReturnType<Services['createMarksWorker']>['style']>[0] {
  const styles = new Map<string, Parameters<ReturnType<Services['createMarksWorker']>['style']>[0][number]>();
  for (const { scopeId, zoneId } of marks) {
    const scope = job.scope.get(scopeId);
    const id = styleOf(scopeId, zoneId);
    if (scope === undefined || styles.has(id)) continue;
    styles.set(id, { id, color: scope.color, hidden: false, faint: false, sign: scope.sign });
  }
  return [...styles.values()];
}
