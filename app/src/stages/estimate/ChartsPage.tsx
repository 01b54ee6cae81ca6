import { Suspense, lazy } from 'react';
import { EstimateTabs } from './EstimateTabs.tsx';

const CostCharts = lazy(() => import('./CostCharts.tsx').then((m) => ({ default: m.CostCharts })));

/** Where a picture says it faster: cost by section and kind, hours by craft. */
export function ChartsPage() {
  return (
    <div className="stage">
      <div className="bar wraps">
        <EstimateTabs />
      </div>
      <div className="scroll charts" tabIndex={0} role="region" aria-label="Charts">
        <Suspense fallback={null}>
          <CostCharts />
        </Suspense>
      </div>
    </div>
  );
}
