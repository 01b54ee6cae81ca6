import { useEffect, useMemo, useState } from 'react';
import type { Figures } from '@zest/core/calculate/figures';
import type { Picture } from '@zest/core/formats/document/printed';
import { readImageSize } from '@zest/core/formats/image/read';
import { BUDGETS_MS } from '@zest/core/formats/limits';
import type { DocumentBlock, DocumentSpec } from '@zest/core/job/records/document';
import { type Job, settingsOf } from '@zest/core/job/job';
import type { ReportSpec } from '@zest/core/job/records/report';
import { findPreset } from '@zest/core/library/reportPresets';
import { openReport } from '@zest/core/reports/openReport';
import { reportWordsOf } from '../../messages/reportWords.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { tellProblem } from '../../parts/toaster.tsx';
import { WorkerEnded } from '../../platform/guardedWorker.ts';
import { base64OfBytes } from '../../platform/base64.ts';
import { dayOf } from '../../platform/days.ts';
import type { Services } from '../../platform/services.ts';
import { useLook, useOpenJob, useServices } from '../../stores/context.tsx';
import { useJobId } from '../../stores/jobHooks.ts';
import { createSheetDrawer, wholeSheet } from '../../workspace/drawSheet.ts';
import type { CountedPages } from '../../workers/reportProtocol.ts';
import { PRESET_WORDS } from '../reports/presetWords.ts';
import { printReport } from '../reports/printReport.ts';
import type { ReportWriter } from '../reports/useWriter.ts';
import { documentLanguage } from './documentWords.ts';
import { type Printed, printDocument } from './printDocument.ts';

type Pictures = Readonly<Record<string, Picture>>;
const NO_PICTURES: Pictures = {};

interface Loaded {
  readonly pictures: Pictures;
  /** None is still being read or drawn. */
  readonly isComplete: boolean;
}

/** Sharp on paper at 150 dots an inch between the margins. */
const SHEET_WIDTH_PX = 1100;

/** The pictures of a document, by the keys of their blocks; they come when they are read and drawn. */
function usePictures(spec: DocumentSpec): Loaded {
  const services = useServices();
  const jobId = useJobId();
  const { job } = useOpenJob();
  const [loaded, setLoaded] = useState<{ readonly of: string; readonly pictures: Pictures }>();
  const blocks = spec.blocks.filter(({ kind }) => kind === 'picture' || kind === 'sheet');
  const hasSheets = blocks.some(({ kind }) => kind === 'sheet');
  // A picture is the same until its block is another; a sheet is drawn again with its marks.
  const asked = JSON.stringify(blocks.map((block) => ({ ...block, heading: '', caption: '' })));
  useEffect(() => {
    let isCurrent = true;
    void loadPictures(services, jobId, job, blocks).then((pictures) => {
      if (isCurrent) setLoaded({ of: asked, pictures });
    });
    return () => {
      isCurrent = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [services, jobId, asked, hasSheets ? job.mark : undefined, hasSheets ? job.sheet : undefined]);
  return {
    pictures: loaded?.pictures ?? NO_PICTURES,
    isComplete: blocks.length === 0 || loaded?.of === asked,
  };
}

async function loadPictures(
  services: Services,
  jobId: string,
  job: Job,
  blocks: readonly DocumentBlock[],
): Promise<Pictures> {
  const loaded: Record<string, Picture> = {};
  const drawer = blocks.some(({ kind }) => kind === 'sheet')
    ? createSheetDrawer(services, jobId, job)
    : undefined;
  for (const block of blocks) {
    try {
      if (block.kind === 'picture') {
        const picture = await readPicture(await services.storage.readFile(jobId, block.fileId));
        if (picture !== undefined) loaded[block.key] = picture;
      }
      const sheet = block.kind === 'sheet' ? job.sheet.get(block.sheetId) : undefined;
      if (block.kind === 'sheet' && sheet !== undefined && drawer !== undefined) {
        const marks = [...job.mark.values()].filter(
          ({ sheetId, scopeId }) =>
            sheetId === sheet.id &&
            block.marks !== 'none' &&
            (block.marks === 'all' || block.marks.includes(scopeId)),
        );
        const part = wholeSheet(sheet);
        loaded[block.key] = await drawer.draw({
          sheet,
          part,
          marks,
          labels: new Map(),
          widthPx: SHEET_WIDTH_PX,
        });
      }
    } catch {
      // What cannot be read is told in its place on the page.
    }
  }
  drawer?.end();
  return loaded;
}

async function readPicture(blob: Blob | undefined): Promise<Picture | undefined> {
  if (blob === undefined) return undefined;
  const bytes = new Uint8Array(await blob.arrayBuffer());
  const size = readImageSize(bytes);
  if (!size.ok || size.value.format === 'image/tiff') return undefined;
  const { format, width, height } = size.value;
  return { mediaType: format, data: base64OfBytes(bytes), widthPx: width, heightPx: height };
}

/** A report by the id of a record, or one that ships. */
export function findReport(job: Job, id: string): ReportSpec | undefined {
  const record = [...job.report.values()].find((each) => each.id === id);
  if (record !== undefined) return record;
  const preset = findPreset(id);
  return preset === undefined
    ? undefined
    : { ...preset.spec, name: PRESET_WORDS[preset.id as keyof typeof PRESET_WORDS], folder: '' };
}

function printReportOf(
  figures: Figures,
  id: string,
  today: string,
): ReturnType<typeof printReport> | undefined {
  const spec = findReport(figures.job, id);
  if (spec === undefined) return undefined;
  const open = openReport(spec, { figures, today, words: reportWordsOf(figures.job) });
  return printReport(open, documentLanguage(settingsOf(figures.job).documentLanguage));
}

/** A document as it is now, with all its words. */
export function usePrinted(spec: DocumentSpec): Printed {
  const { figures } = useOpenJob();
  const { now } = useServices();
  const hasSamples = useLook()?.open.some(({ about }) => about.rule === 'price-sample') === true;
  const { pictures, isComplete } = usePictures(spec);
  const today = dayOf(now());
  return useMemo(
    () =>
      printDocument(spec, {
        figures,
        hasSamples,
        pictures,
        isComplete,
        reportOf: (id) => printReportOf(figures, id, today),
      }),
    [spec, figures, hasSamples, pictures, isComplete, today],
  );
}

const SHOWN_PAGES = 30;

/** The pages as they will be printed, laid out beside the page and again with every change. */
export function useLaidDocument({ document }: Printed, worker: ReportWriter): CountedPages | undefined {
  const [laid, setLaid] = useState<CountedPages | undefined>();
  useEffect(() => {
    let isCurrent = true;
    worker
      .ask((remote) => remote.layOutDocument(withoutBytes(document), SHOWN_PAGES), BUDGETS_MS.report)
      .then(
        (pages) => {
          if (isCurrent) setLaid(pages);
        },
        (error: unknown) => {
          const why = error instanceof WorkerEnded ? error.reason : 'died';
          if (isCurrent && why !== 'canceled') tellProblem(describeProblem({ kind: 'writing-ended', why }));
        },
      );
    return () => {
      isCurrent = false;
    };
  }, [document, worker]);
  return laid;
}

/** Laying out needs to know how large pictures are, not what is on them. */
const withoutBytes = (document: Printed['document']): Printed['document'] => ({
  ...document,
  pictures: Object.fromEntries(
    Object.entries(document.pictures).map(([name, picture]) => [name, { ...picture, data: '' }]),
  ),
});
