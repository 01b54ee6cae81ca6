import { type LaidPage, type LaidPages, type PageItem, isBoldLook } from '@zest/core/reports/pages/page';

interface PageViewProps {
  readonly page: LaidPage;
  readonly laid: Pick<LaidPages, 'widthPt' | 'heightPt'>;
  readonly label: string;
  /** Pictures as something a page can show, by the names the page has for them. */
  readonly pictures: Readonly<Record<string, string>>;
}

/** On paper, whatever the theme of the screen. */
const INK = { plain: '#18211c', bold: '#18211c', soft: '#56615a', warn: '#a3203f' } as const;
const TINT = { heading: '#efeadc', group: '#f7f4ec' } as const;

/** A page as it is printed. */
export const PageView = ({ page, laid: { widthPt, heightPt }, label, pictures }: PageViewProps) => (
  <svg viewBox={`0 0 ${widthPt} ${heightPt}`} role="group" aria-label={label}>
    {page.items
      .filter(({ kind }) => kind === 'fill')
      .map((item, at) => (
        <ItemView key={at} item={item} pictures={pictures} />
      ))}
    {page.items
      .filter(({ kind }) => kind !== 'fill')
      .map((item, at) => (
        <ItemView key={at} item={item} pictures={pictures} />
      ))}
  </svg>
);

interface ItemViewProps extends Pick<PageViewProps, 'pictures'> {
  readonly item: PageItem;
}

function ItemView({ item, pictures }: ItemViewProps) {
  switch (item.kind) {
    case 'anchor':
    case 'link':
      return null;
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
          href={pictures[item.of]}
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
            fontWeight: isBoldLook(item.look) ? 600 : 400,
            fontFamily: 'IBM Plex Sans',
            whiteSpace: 'pre',
          }}
        >
          {item.text}
        </text>
      );
  }
}
