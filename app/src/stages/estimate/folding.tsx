import { ChevronDown, ChevronRight } from 'lucide-react';
import { createContext, useContext, useMemo } from 'react';
import * as z from 'zod';
import type { EstimateRow } from '@zest/core/estimate/rows';
import { t } from '../../messages/t.ts';
import { IconButton } from '../../parts/buttons.tsx';
import { useChoice } from '../../stores/useChoice.ts';
import { styles } from './styles.ts';

export interface Folding {
  /** Sections whose rows are put away, by key. */
  readonly folded: ReadonlySet<string>;
  readonly fold: (keys: readonly string[], isFolded: boolean) => void;
}

const NOTHING: Folding = { folded: new Set(), fold: () => undefined };
const FoldingContext = createContext<Folding>(NOTHING);
export const FoldingProvider = FoldingContext.Provider;

const schema = z.array(z.string().max(80)).max(5_000).readonly();
const NONE: readonly string[] = [];

/** Which sections of a job are collapsed, remembered on this machine. */
export function useFolding(jobId: string): Folding {
  const [keys, choose] = useChoice(`estimate-folded ${jobId}`, NONE, schema);
  return useMemo(() => {
    const folded = new Set(keys);
    return {
      folded,
      fold: (some, isFolded) =>
        choose(isFolded ? [...new Set([...keys, ...some])] : keys.filter((key) => !some.includes(key))),
    };
  }, [keys, choose]);
}

/** The rows that are in sight: what stands inside a collapsed section is not. */
export function withoutFolded(
  rows: readonly EstimateRow[],
  folded: ReadonlySet<string>,
): readonly EstimateRow[] {
  if (folded.size === 0) return rows;
  let inside = Infinity;
  return rows.filter((row) => {
    if (row.type === 'section' && row.depth <= inside) inside = Infinity;
    const isHidden = inside !== Infinity && (row.type !== 'section' || row.depth > inside);
    if (!isHidden && row.type === 'section' && folded.has(row.key)) inside = row.depth;
    return !isHidden;
  });
}

/** Opens and closes a section; the keys do the same from its row. */
export function FoldButton({ sectionKey, name }: { readonly sectionKey: string; readonly name: string }) {
  const { folded, fold } = useContext(FoldingContext);
  const isFolded = folded.has(sectionKey);
  const Icon = isFolded ? ChevronRight : ChevronDown;
  return (
    <IconButton
      className={styles.fold}
      tabIndex={-1}
      aria-expanded={!isFolded}
      aria-label={t(isFolded ? 'estimate.expand' : 'estimate.collapse', { name })}
      onMouseDown={(event) => event.stopPropagation()}
      onClick={() => fold([sectionKey], !isFolded)}
    >
      <Icon size={13} />
    </IconButton>
  );
}
