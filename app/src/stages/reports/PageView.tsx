import type { LaidPage, LaidPages, PageItem } from '@zest/core/reports/pages/page';

interface PageViewProps {
  readonly page: LaidPage;
  readonly laid: Pick<LaidPages, 'widthPt' | 'heightPt'>;
  readonly label: string;
  /** The logo as something a page can show. */
  readonly logo: string | undefined;
}

/** On paper, whatever the theme of the screen. */
const INK = { plain: '#18211c', bold: '#18211c', soft: '#56615a' } as const;
const TINT = { heading: '#efeadc', group: '#f7f4ec' } as const;

/** A page as it is printed. */
export const PageView = ({ page, laid: { widthPt, heightPt }, label, logo }: PageViewProps) => (
  <svg viewBox={`0 0 ${widthPt} ${heightPt}`} role="img" aria-label={label}>
    {page.items
      .filter(({ kind }) => kind === 'fill')
      .map((item, at) => (
        <ItemView key={at} item={item} logo={logo} />
      ))}
    {page.items
      .filter(({ kind }) => kind !== 'fill')
      .map((item, at) => (
        <ItemView key={at} item={item} logo={logo} />
      ))}
  </svg>
);

function ItemView({ item, logo }: { readonly item: PageItem; readonly logo: string | undefined }) {
  switch (item.kind) {
    case 'fill':
      return <rect x={item.x} y={item.y} width={item.width} height={item.height} fill={TINT[item.tint]} />;
    case 'rule':
      return (
        <line
          x1={item.x}
          y1={item.y}
          x2={item.x + item.width}
          y2={item.y}
          stroke={item.heavy ? '#18211c' : '#d9d3c2'}
          strokeWidth={item.heavy ? 0.8 : 0.4}
        />
      );
    case 'picture':
      return (
        <image
          href={logo}
          x={item.x}
          y={item.y}
          width={item.width}
          height={item.height}
          preserveAspectRatio="xMaxYMin meet"
        />
      );
    case 'text':
      return (
        <text
          x={item.x}
          y={item.y}
          fill={INK[item.look]}
          // As a style: the sheet of the app has rules for texts, which are stronger than attributes.
          style={{
            fontSize: `${item.size}px`,
            fontWeight: item.look === 'bold' ? 600 : 400,
            fontFamily: 'IBM Plex Sans',
            whiteSpace: 'pre',
          }}
        >
          {item.text}
        </text>
      );
  }
}
