import { Tabs } from '@chakra-ui/react';
import { type ReactNode, memo } from 'react';
import type { EstimateRow } from '@zest/core/estimate/rows';
import { isPriced } from '@zest/core/estimate/rows';
import { useSetView, useView } from '../../stores/context.tsx';
import type { EstimateSide } from '../../stores/viewStore.ts';
import { Alternates } from './Alternates.tsx';
import { LinePanel } from './LinePanel.tsx';
import { Summary } from './Summary.tsx';
import type { Estimate } from './useEstimate.ts';
import { Yardsticks } from './Yardsticks.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import { layout } from '../../theme/layout.ts';

const SIDES = [
  ['bid', t('estimate.costToBid')],
  ['line', t('estimate.line')],
  ['alternates', t('estimate.alternates')],
  ['yardsticks', t('estimate.yardsticks')],
] as const;

/** One element each for ever, so that they are drawn anew only when their job is. */
const PAGES = { bid: <Summary />, alternates: <Alternates />, yardsticks: <Yardsticks /> } as const;
const NO_LINE = <p className="soft">{t('estimate.selectAPricedLineToSeeWhat')}</p>;

interface SidePanelProps {
  readonly row: EstimateRow | undefined;
  readonly estimate: Estimate;
}

/** Beside the lines: the way to the bid, the line in hand, alternates, and what the figures are held against. */
export function SidePanel({ row, estimate }: SidePanelProps) {
  const side = useView((state) => state.estimateSide);
  const line =
    row !== undefined && isPriced(row) ? <LinePanel key={row.key} row={row} estimate={estimate} /> : NO_LINE;
  return (
    <aside className={`${styles.summary} side`} aria-label={t('estimate.totalsAndDetails')}>
      <SideTabs side={side} line={side === 'line' ? line : undefined} />
    </aside>
  );
}

interface SideTabsProps {
  readonly side: EstimateSide;
  /** The line in hand, while it is shown. */
  readonly line: ReactNode;
}

/** Drawn anew only for another page, or for another line while that is shown. */
const SideTabs = memo(function SideTabs({ side, line }: SideTabsProps) {
  const setView = useSetView();
  return (
    <Tabs.Root
      value={side}
      onValueChange={({ value }) => setView({ estimateSide: value as EstimateSide })}
      lazyMount
      unmountOnExit
      fitted
      size="sm"
    >
      <Tabs.List aria-label={t('estimate.totalsAndDetails')}>
        {SIDES.map(([id, name]) => (
          <Tabs.Trigger key={id} value={id}>
            {name}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      {SIDES.map(([id]) => (
        <Tabs.Content key={id} value={id} className={layout.sideBody}>
          {id === 'line' ? line : PAGES[id]}
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
});
