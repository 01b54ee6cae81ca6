import type { Id } from '@zest/core/job/id';
import { type Job, orderAfter } from '@zest/core/job/job';
import { type Command, put } from '@zest/core/job/change';
import type { FileRecord } from '@zest/core/job/records/file';
import type { Sheet } from '@zest/core/job/records/sheet';
import { type Result, accept, refuse } from '@zest/core/problem/result';
import { proposeSheet } from '@zest/core/takeoff/sheetText';
import type { Problem } from '../../messages/describeProblem.ts';
import type { Services } from '../../platform/services.ts';

export const PDF_BYTE_LIMIT = 500 * 1024 ** 2;
export const PDF_PAGE_LIMIT = 1000;

export interface PdfPlan {
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

/** Reads a PDF's pages and plans them as sheets; nothing changes until the plan is carried out. */
export async function planPdf(
  services: Services,
  job: Job,
  file: File,
  onPage: OnPage,
): Promise<Result<PdfPlan, Problem> | 'canceled'> {
  if (file.size === 0) return refuse({ kind: 'pdf-empty' });
  if (file.size > PDF_BYTE_LIMIT)
    return refuse({ kind: 'pdf-too-large', bytes: file.size, limit: PDF_BYTE_LIMIT });
  if (!(await looksLikePdf(file))) return refuse({ kind: 'pdf-not-pdf' });
  const fileId = services.makeId('file');
  const opened = await services.sheets.open(fileId, await file.arrayBuffer());
  if (!opened.ok) return refuse(opened.problem);
  const { pageCount } = opened;
  if (pageCount === 0) return refuse({ kind: 'pdf-no-pages' });
  const drop = async (): Promise<void> => services.sheets.close(fileId);
  if (pageCount > PDF_PAGE_LIMIT) {
    await drop();
    return refuse({ kind: 'pdf-too-many-pages', pages: pageCount, limit: PDF_PAGE_LIMIT });
  }
  const sheets: Sheet[] = [];
  const firstOrder = orderAfter(job.sheet.values());
  for (let pageIndex = 0; pageIndex < pageCount; pageIndex += 1) {
    try {
      sheets.push(await readPage(services, fileId, pageIndex, firstOrder + pageIndex));
    } catch {
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
    name: file.name.slice(0, 200) || 'plans.pdf',
    mediaType: 'application/pdf',
    byteLength: file.size,
    pageCount,
  };
  const [first] = sheets;
  if (first === undefined) return refuse({ kind: 'pdf-no-pages' });
  return accept({
    command: put(record, ...sheets),
    files: new Map([[fileId, file]]),
    count: pageCount,
    firstSheet: first.id,
  });
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
    title: title.slice(0, 200) || `Page ${pageIndex + 1}`,
    widthPt,
    heightPt,
    printedScale: printedScale.slice(0, 200),
    scale: null,
    check: null,
  };
}
