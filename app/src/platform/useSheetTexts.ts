import { useEffect, useState } from 'react';
import type { Sheet } from '@zest/core/job/records/sheet';
import type { SheetText } from '@zest/core/takeoff/pageText';
import { useJobId } from '../stores/jobHooks.ts';
import { useServices } from '../stores/context.tsx';
import { createSheetFiles, pictureKey } from './sheetFiles.ts';

const NO_TEXTS: readonly SheetText[] = [];

/** The texts on a sheet, once they are wanted and read; none before. */
export function useSheetTexts(sheet: Sheet, wanted: boolean): readonly SheetText[] {
  const services = useServices();
  const jobId = useJobId();
  const [read, setRead] = useState<
    { readonly key: string; readonly texts: readonly SheetText[] } | undefined
  >();
  const key = pictureKey(sheet);
  useEffect(() => {
    if (!wanted) return undefined;
    let gone = false;
    createSheetFiles(services, jobId)
      .texts(sheet)
      .then(
        (texts) => gone || setRead({ key, texts }),
        () => undefined,
      );
    return () => {
      gone = true;
    };
    // A name or a scale changes no text.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [wanted, services, jobId, key]);
  return wanted && read?.key === key ? read.texts : NO_TEXTS;
}
