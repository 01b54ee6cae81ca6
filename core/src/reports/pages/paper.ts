import type { Paper, ReportPage } from '../../job/records/report.ts';

export const PT_PER_MM = 72 / 25.4;
/** ISO 216 and ANSI Y14.1 sizes in points, upright. */
const PAPER_PT = {
  letter: [612, 792],
  tabloid: [792, 1224],
  a4: [595.28, 841.89],
  a3: [841.89, 1190.55],
} as const;
export const USUAL_MARGIN_MM = 15;

export interface PaperSize {
  readonly widthPt: number;
  readonly heightPt: number;
  readonly margin: number;
}

/** The paper a page is on; `usual` where it says none. */
export function paperOf(page: ReportPage, usual: Paper, usualMarginMm = USUAL_MARGIN_MM): PaperSize {
  const [narrow, long] = PAPER_PT[page.paper ?? usual];
  const [widthPt, heightPt] = page.landscape === true ? [long, narrow] : [narrow, long];
  return { widthPt, heightPt, margin: (page.marginMm ?? usualMarginMm) * PT_PER_MM };
}
