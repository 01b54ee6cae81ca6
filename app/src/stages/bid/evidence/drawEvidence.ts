import type { Figures } from '@zest/core/calculate/figures';
import type { Picture } from '@zest/core/formats/document/printed';
import type { Evidence } from '@zest/core/reports/evidence';
import type { Services } from '../../../platform/services.ts';
import { createSheetDrawer } from '../../../workspace/drawSheet.ts';
import { pictureKey } from './evidenceSource.ts';

/** As sharp as a screen, so that a book of a hundred pictures can still be mailed. */
const WIDTH_PX = 900;

/**
 * The parts of the sheets with the marks of each scope, numbered as on the tape. A sheet that cannot be read is left
 * out, and said so on its page.
 */
export async function drawEvidence(
  services: Services,
  jobId: string,
  figures: Figures,
  { scopes }: Evidence,
  onDrawn: (done: number, of: number) => void,
  stop: AbortSignal,
): Promise<Readonly<Record<string, Picture>>> {
  const drawer = createSheetDrawer(services, jobId, figures.job);
  const pictures: Record<string, Picture> = {};
  const all = scopes.flatMap(({ parts }, scope) =>
    parts.map((part, at) => ({ part, key: pictureKey(scope, at) })),
  );
  try {
    let done = 0;
    for (const { part, key } of all) {
      stop.throwIfAborted();
      try {
        pictures[key] = await drawer.draw({
          sheet: part.sheet,
          part: part.part,
          marks: part.marks.map(({ mark }) => mark),
          labels: new Map(part.marks.map(({ mark, number }) => [mark.id, String(number)])),
          widthPx: WIDTH_PX,
        });
      } catch {
        // Told on its page.
      }
      done += 1;
      onDrawn(done, all.length);
    }
  } finally {
    drawer.end();
  }
  return pictures;
}
