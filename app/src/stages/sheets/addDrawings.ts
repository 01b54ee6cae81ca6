import { WorkerEnded } from '../../platform/guardedWorker.ts';
import type { Id } from '@zest/core/job/id';
import { type Job, orderAfter } from '@zest/core/job/job';
import { type Command, put } from '@zest/core/job/change';
import type { FileRecord } from '@zest/core/job/records/file';
import type { Level } from '@zest/core/job/records/level';
import type { Sheet } from '@zest/core/job/records/sheet';
import { sniffImage } from '@zest/core/formats/image/read';
import { type Result, accept, refuse } from '@zest/core/problem/result';
import { disciplineOf, levelNameOf } from '@zest/core/takeoff/discipline';
import { proposeSheet } from '@zest/core/takeoff/sheetText';
import type { Problem } from '../../messages/describeProblem.ts';
import type { Services } from '../../platform/services.ts';
import { t } from '../../messages/t.ts';
import { LIMITS } from '@zest/core/formats/limits';

export interface DrawingsPlan {
  readonly command: Command;
  readonly files: ReadonlyMap<string, Blob>;
  readonly count: number;
  readonly firstSheet: Id<'sheet'>;
}

/** Told after every page; answers whether to go on. */
export type OnPage = (done: number, total: number) => boolean;

const MAGIC = '%PDF-';

async function looksLikePdf(file: Blob): Promise<boolean> {
  // The header may stand a little into the file (ISO 32000-1, annex H, allows 1024 bytes).
  const start = new TextDecoder('latin1').decode(await file.slice(0, 1024).arrayBuffer());
  return start.includes(MAGIC);
}

/** Reads the pages of a PDF, or a scan or photo, and plans them as sheets; nothing changes until the plan is carried out. */
export async function planDrawings(
  services: Services,
  job: Job,
  file: File,
  onPage: OnPage,
): Promise<Result<DrawingsPlan, Problem> | 'canceled'> {
  if (file.size === 0) return refuse({ kind: 'pdf-empty' });
  if (file.size > LIMITS.pdf.bytes)
    return refuse({ kind: 'pdf-too-large', bytes: file.size, limit: LIMITS.pdf.bytes });
  const image = sniffImage(new Uint8Array(await file.slice(0, 8).arrayBuffer()));
  if (image === undefined && !(await looksLikePdf(file))) return refuse({ kind: 'pdf-not-pdf' });
  const fileId = services.makeId('file');
  const opened = await openWithin(services, fileId, file);
  if (!opened.ok) return refuse(opened.problem);
  const { pageCount } = opened;
  if (pageCount === 0) return refuse({ kind: 'pdf-no-pages' });
  const drop = async (): Promise<void> => services.sheets.close(fileId);
  if (pageCount > LIMITS.pdf.pages) {
    await drop();
    return refuse({ kind: 'pdf-too-many-pages', pages: pageCount, limit: LIMITS.pdf.pages });
  }
  const sheets: Sheet[] = [];
  const levels = createLevels(services, job);
  const firstOrder = orderAfter(job.sheet.values());
  for (let pageIndex = 0; pageIndex < pageCount; pageIndex += 1) {
    try {
      const page = await readPage(services, fileId, pageIndex, firstOrder + pageIndex);
      sheets.push(
        image === undefined
          ? { ...page, ...levels.of(page.title) }
          : { ...page, title: nameOfScan(file.name, pageIndex, pageCount) },
      );
    } catch (error) {
      if (error instanceof WorkerEnded) return refuse({ kind: 'reading-ended', why: error.reason });
      await drop();
      return refuse({ kind: 'pdf-damaged' });
    }
    if (!onPage(pageIndex + 1, pageCount)) {
      await drop();
      return 'canceled';
    }
  }
  const record: FileRecord = {
    type: 'file',
    id: fileId,
    name: file.name.slice(0, 200) || t('sheets.plansPdf'),
    mediaType: image ?? 'application/pdf',
    byteLength: file.size,
    pageCount,
  };
  const [first] = sheets;
  if (first === undefined) return refuse({ kind: 'pdf-no-pages' });
  return accept({
    command: put(record, ...levels.added, ...sheets),
    files: new Map([[fileId, file]]),
    count: pageCount,
    firstSheet: first.id,
  });
}

type Opened =
  { readonly ok: true; readonly pageCount: number } | { readonly ok: false; readonly problem: Problem };

/** A drawing that takes too much is told by name; the worker it held is ended. */
async function openWithin(services: Services, fileId: string, file: Blob): Promise<Opened> {
  try {
    return await services.sheets.open(fileId, await file.arrayBuffer(), true);
  } catch (error) {
    if (!(error instanceof WorkerEnded)) throw error;
    return { ok: false, problem: { kind: 'reading-ended', why: error.reason } };
  }
}

/** Levels by name: those of the job, and new ones as titles name them. */
function createLevels(services: Services, job: Job) {
  const byName = new Map([...job.level.values()].map((level) => [level.name.toLowerCase(), level.id]));
  const added: Level[] = [];
  let order = orderAfter(job.level.values());
  return {
    added,
    of: (title: string): { readonly levelId?: Level['id'] } => {
      const name = levelNameOf(title);
      if (name === '') return {};
      const known = byName.get(name.toLowerCase());
      if (known !== undefined) return { levelId: known };
      const level: Level = { type: 'level', id: services.makeId('level'), name, order, repeat: 1 };
      order += 1;
      byName.set(name.toLowerCase(), level.id);
      added.push(level);
      return { levelId: level.id };
    },
  };
}

/** A scan says nothing of itself: its file name is the best title there is. */
function nameOfScan(fileName: string, pageIndex: number, pageCount: number): string {
  const plain = fileName.replace(/\.[^.]*$/, '').slice(0, 180) || t('sheets.scan');
  return pageCount === 1 ? plain : t('sheets.page', { plain, place: pageIndex + 1 });
}

async function readPage(
  services: Services,
  fileId: Id<'file'>,
  pageIndex: number,
  order: number,
): Promise<Sheet> {
  const { widthPt, heightPt, texts } = await services.sheets.page(fileId, pageIndex);
  const { number, title, printedScale } = proposeSheet(texts, widthPt, heightPt);
  return {
    type: 'sheet',
    id: services.makeId('sheet'),
    fileId,
    pageIndex,
    order,
    number: number.slice(0, 200),
    discipline: disciplineOf(number),
    title: title.slice(0, 200) || t('sheets.page2', { place: pageIndex + 1 }),
    widthPt,
    heightPt,
    printedScale: printedScale.slice(0, 200),
    scale: null,
    check: null,
  };
}
