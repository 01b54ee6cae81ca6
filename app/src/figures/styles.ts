import { classes } from '../theme/classes.ts';

/** How figures and what they belong to are shown. */
export const styles = classes({
  swatch: {
    width: '18px',
    height: '12px',
    display: 'block',
  },
  noteFigure: {
    fontWeight: 600,
    fontVariantNumeric: 'tabular-nums',
  },
  sectionDrawing: {
    width: '100%',
    bg: 'bg',
    border: '1px solid',
    borderColor: 'border',
    borderRadius: '4px',
    color: 'fg',
    '& polygon, & circle, & line': { stroke: 'fg', strokeWidth: 1, fill: 'none' },
    '& .grain': { fill: 'fg.muted', stroke: 'none' },
    '& .grain-line': { fill: 'none', stroke: 'fg.muted', strokeWidth: 0.7 },
    '& .section-concrete polygon': { fill: 'url(#fill-concrete)' },
    '& .section-stone polygon': { fill: 'url(#fill-stone)' },
    '& .section-sand polygon': { fill: 'url(#fill-sand)' },
    '& .section-ground polygon': { fill: 'url(#fill-ground)' },
    '& .section-wood polygon': { fill: 'url(#fill-wood)' },
    '& .section-board polygon': { fill: 'border' },
    '& .section-pipe .ring-outer': { fill: 'bg.panel', strokeWidth: 1.6 },
    '& text': {
      fontSize: '10px',
      textAnchor: 'middle',
      fill: 'fg',
      stroke: 'bg',
      strokeWidth: '3px',
      paintOrder: 'stroke',
    },
    '& .section-size line': { stroke: 'fg.muted', strokeWidth: 0.8 },
  },
});
