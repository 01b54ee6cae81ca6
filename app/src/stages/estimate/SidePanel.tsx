import type { EstimateRow } from '@zest/core/estimate/rows';
import { isPriced } from '@zest/core/estimate/rows';
import { useSetView, useView } from '../../stores/context.tsx';
import { Alternates } from './Alternates.tsx';
import { LinePanel } from './LinePanel.tsx';
import { Summary } from './Summary.tsx';
import type { Estimate } from './useEstimate.ts';
import { Yardsticks } from './Yardsticks.tsx';

const SIDES = [
  ['bid', 'Cost to bid'],
  ['line', 'Line'],
  ['alternates', 'Alternates'],
  ['yardsticks', 'Yardsticks'],
] as const;

/** One element each for ever, so that they are drawn anew only when their job is. */
const SUMMARY = <Summary />;
const ALTERNATES = <Alternates />;
const YARDSTICKS = <Yardsticks />;

interface SidePanelProps {
  readonly row: EstimateRow | undefined;
  readonly estimate: Estimate;
}

/** Beside the lines: the way to the bid, the line in hand, alternates, and what the figures are held against. */
export function SidePanel({ row, estimate }: SidePanelProps) {
  const side = useView((state) => state.estimateSide);
  const setView = useSetView();
  return (
    <aside className="summary side" aria-label="Totals and details">
      <div className="side-tabs" role="tablist" aria-label="Totals and details">
        {SIDES.map(([id, name]) => (
          <button
            key={id}
            type="button"
            role="tab"
            id={`side-${id}`}
            aria-selected={side === id}
            aria-controls="side-panel"
            onClick={() => setView({ estimateSide: id })}
          >
            {name}
          </button>
        ))}
      </div>
      <div
        id="side-panel"
        role="tabpanel"
        aria-labelledby={`side-${side}`}
        className="side-body"
        tabIndex={0}
      >
        {side === 'bid' ? SUMMARY : null}
        {side === 'line' ? (
          row !== undefined && isPriced(row) ? (
            <LinePanel key={row.key} row={row} estimate={estimate} />
          ) : (
            <p className="soft">Select a priced line to see what makes up its price.</p>
          )
        ) : null}
        {side === 'alternates' ? ALTERNATES : null}
        {side === 'yardsticks' ? YARDSTICKS : null}
      </div>
    </aside>
  );
}
