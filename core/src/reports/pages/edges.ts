import type { Frame } from './frame.ts';
import { type PageItem, wrapText } from './page.ts';

const LOGO_HEIGHT = 34;

/** The title on the first page: what it is, of which job, and what is left out of it. */
export function titleItems({ by, report, margin, size, widthPt }: Frame): {
  readonly items: readonly PageItem[];
  readonly height: number;
} {
  const { words, logoRatio } = by;
  const lines = [
    [words.job, words.client].filter(Boolean).join(', '),
    [words.company, words.date].filter(Boolean).join(', '),
    words.leftOut,
  ].filter(Boolean);
  const big = size * 1.7;
  const showsLogo = logoRatio !== undefined && report.page.logo !== false;
  const logo: readonly PageItem[] = showsLogo
    ? [
        {
          kind: 'picture',
          of: 'logo',
          x: widthPt - margin - LOGO_HEIGHT * Math.min(4, logoRatio),
          y: margin,
          width: LOGO_HEIGHT * Math.min(4, logoRatio),
          height: LOGO_HEIGHT,
        },
      ]
    : [];
  const room = widthPt - 2 * margin - (showsLogo ? LOGO_HEIGHT * Math.min(4, logoRatio) + 12 : 0);
  const titles = wrapText(report.name, room, big, true, by.measure);
  const items: PageItem[] = titles.map((text, line) => ({
    kind: 'text',
    x: margin,
    y: margin + big * (1 + line * 1.2),
    text,
    size: big,
    look: 'bold',
  }));
  const below = margin + big * (1 + (titles.length - 1) * 1.2);
  lines.forEach((text, line) =>
    items.push({ kind: 'text', x: margin, y: below + (line + 1) * size * 1.5, text, size, look: 'soft' }),
  );
  const height = Math.max(below - margin + (lines.length + 1) * size * 1.5, showsLogo ? LOGO_HEIGHT + 8 : 0);
  return { items: [...items, ...logo], height };
}

/** The head and the foot of every page. */
export function edgeItems(
  { by, report, margin, size, widthPt, heightPt }: Frame,
  page: number,
  pages: number,
): readonly PageItem[] {
  const { words } = by;
  const values: Readonly<Record<string, string>> = {
    job: words.job,
    client: words.client,
    company: words.company,
    date: words.date,
    report: report.name,
    page: String(page),
    pages: String(pages),
  };
  const fill = (text: string): string =>
    text.replace(/\{(\w+)\}/g, (whole, name: string) => values[name] ?? whole);
  const header = fill(report.page.header ?? '');
  const footer = fill(report.page.footer ?? words.footer);
  const small = Math.max(6.5, size - 1);
  const centered = (text: string, y: number): PageItem => ({
    kind: 'text',
    x: (widthPt - by.measure(text, false) * small) / 2,
    y,
    text,
    size: small,
    look: 'soft',
  });
  return [
    ...(header === '' ? [] : [centered(header, margin - small * 0.9)]),
    ...(footer === '' ? [] : [centered(footer, heightPt - margin + small * 1.6)]),
  ];
}
