import { useEffect, useMemo, useState } from 'react';
import type { Sheet } from '@zest/core/job/records/sheet';
import { createSheetFiles, pictureKey } from '../../platform/sheetFiles.ts';
import { useOpenJob, useServices } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';

export interface SheetSearch {
  readonly found: readonly Sheet[];
  /** The piece of text that was found on a sheet, by sheet. */
  readonly hits: ReadonlyMap<string, string>;
  /** What is still being read, in words; empty at rest. */
  readonly progress: string;
}

/** Texts of sheets that were read while the page is open; a sheet's text only changes with its pages. */
const texts = new Map<string, readonly string[]>();

const matches = (text: string, words: readonly string[]): boolean => {
  const plain = text.toLowerCase();
  return words.every((word) => plain.includes(word));
};

/** Finds sheets by number and title, and by the text printed on them, which is read when it is first asked for. */
export function useSheetSearch(sheets: readonly Sheet[], wanted: string): SheetSearch {
  const services = useServices();
  const { jobId } = useOpenJob();
  const [read, setRead] = useState(0);
  const words = useMemo(() => wanted.toLowerCase().split(/\s+/).filter(Boolean), [wanted]);
  const asked = words.length > 0;
  useEffect(() => {
    if (!asked) return undefined;
    let gone = false;
    const files = createSheetFiles(services, jobId);
    const readAll = async (): Promise<void> => {
      for (const sheet of sheets) {
        if (gone) return;
        if (texts.has(pictureKey(sheet))) continue;
        const read = await files.texts(sheet).catch(() => []);
        texts.set(
          pictureKey(sheet),
          read.map(({ text }) => text),
        );
        if (!gone) setRead((count) => count + 1);
      }
    };
    void readAll();
    return () => {
      gone = true;
    };
  }, [asked, sheets, services, jobId]);
  return useMemo(() => {
    if (words.length === 0) return { found: sheets, hits: new Map<string, string>(), progress: '' };
    const hits = new Map<string, string>();
    const found = sheets.filter((sheet) => {
      if (matches(`${sheet.number} ${sheet.title} ${sheet.discipline ?? ''}`, words)) return true;
      const hit = texts.get(pictureKey(sheet))?.find((text) => matches(text, words));
      if (hit !== undefined) hits.set(sheet.id, hit.slice(0, 80));
      return hit !== undefined;
    });
    const left = sheets.filter((sheet) => !texts.has(pictureKey(sheet))).length;
    return { found, hits, progress: left === 0 ? '' : t('sheets.readingMore', { left }) };
    // `read` counts what has come in since.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [words, sheets, read]);
}
