import { Button } from '@chakra-ui/react';
import { useMemo } from 'react';
import { put } from '@zest/core/job/change';
import type { Sheet } from '@zest/core/job/records/sheet';
import { paperOf } from '@zest/core/takeoff/paper';
import { readPrintedScales } from '@zest/core/takeoff/printedScale';
import { parseScaleRatio, scaleOfRatio } from '@zest/core/takeoff/scale';
import { findOtherPaper } from '@zest/core/takeoff/scaleDoubt';
import { formatNumber } from '@zest/core/units/numberFormat';
import { t } from '../../messages/t.ts';
import { useSheetTexts } from '../../platform/useSheetTexts.ts';
import { useFormats, useJobActions } from '../../stores/context.tsx';

interface Printed {
  readonly text: string;
  readonly ratio: number;
}

/** Every scale the sheet prints: the one in its title block first, then those of its views. */
export function usePrintedScales(sheet: Sheet): readonly Printed[] {
  const texts = useSheetTexts(sheet, true);
  const { widthPt, heightPt, printedScale } = sheet;
  return useMemo(() => {
    const own = parseScaleRatio(printedScale);
    const { all } = readPrintedScales(texts, { widthPt, heightPt, paper: paperOf(widthPt, heightPt) });
    const first = own.ok ? [{ text: printedScale, ratio: own.value }] : [];
    const others = all.filter(({ ratio }) => !own.ok || Math.abs(ratio / own.value - 1) > 1e-6);
    return [...first, ...others];
  }, [texts, widthPt, heightPt, printedScale]);
}

/** More than this many scales on a sheet are details; a part is boxed for each. */
const OFFERED = 4;

/** A button for each scale the sheet prints. One for another paper offers what it comes to on this page. */
export function PrintedScales({ sheet }: { readonly sheet: Sheet }) {
  const actions = useJobActions();
  const { numbers } = useFormats();
  const printed = usePrintedScales(sheet);
  const paper = paperOf(sheet.widthPt, sheet.heightPt);
  const use = (text: string, ratio: number): void => {
    const scale = { ...scaleOfRatio(ratio), source: { by: 'ratio', text } } as const;
    actions.transact(t('workspace.scaleOf', { number: sheet.number }), put({ ...sheet, scale }));
  };
  // What the title block says holds for the sheet; details have their scale by a box around them.
  const offered = parseScaleRatio(sheet.printedScale).ok ? printed.slice(0, 1) : printed.slice(0, OFFERED);
  return offered.map(({ text, ratio }) => {
    const other = findOtherPaper(text, paper);
    if (other === undefined)
      return (
        <Button key={text} size="xs" onClick={() => use(text, ratio)}>
          {t('workspace.useThePrinted', { printedScale: text })}
        </Button>
      );
    const here = `1:${formatNumber(other.ratio, 2, numbers, true)}`;
    return (
      <Button key={text} size="xs" onClick={() => use(`1:${other.ratio}`, other.ratio)}>
        {t('workspace.useForThisPaper', { here, text, is: other.is })}
      </Button>
    );
  });
}
