import { isPoints, isRing } from '@zest/core/job/markKinds';
import type { MarkKind } from '@zest/core/job/markKinds';
import { type Glyph, lookOf } from '../theme/scopeColors.ts';
import { styles } from './styles.ts';

const GLYPHS: Readonly<Record<Glyph, string>> = {
  disc: 'M9 1a5 5 0 110 10 5 5 0 010-10z',
  ring: 'M9 2a4 4 0 110 8 4 4 0 010-8z',
  square: 'M4.5 1.5h9v9h-9z',
  triangle: 'M9 1l5 9.5H4z',
  diamond: 'M9 0l5.5 6L9 12 3.500 6z',
  cross: 'M4.500 1.500l9 9M13.500 1.500l-9 9',
};

/** The color and pattern of a scope, as its marks show them. */
export function Swatch({ color, kind }: { readonly color: number; readonly kind: MarkKind }) {
  const look = lookOf(color);
  const hollow = look.glyph === 'ring' || look.glyph === 'cross';
  return (
    <svg className={styles.swatch} viewBox="0 0 18 12" aria-hidden="true">
      {kind === 'run' ? (
        <>
          <line x1="0" y1="6" x2="18" y2="6" stroke={look.color} strokeWidth="5" opacity="0.3" />
          <line
            x1="0"
            y1="6"
            x2="18"
            y2="6"
            stroke={look.color}
            strokeWidth="5"
            strokeDasharray={look.dash.map((each) => each * 0.6).join(' ')}
          />
        </>
      ) : null}
      {isRing(kind) ? (
        <rect
          x="0.5"
          y="0.5"
          width="17"
          height="11"
          fill={look.color}
          fillOpacity="0.4"
          stroke={look.color}
        />
      ) : null}
      {isPoints(kind) ? (
        <path
          d={GLYPHS[look.glyph]}
          fill={hollow ? 'none' : look.color}
          stroke={look.color}
          strokeWidth={hollow ? 2 : 0}
        />
      ) : null}
    </svg>
  );
}
