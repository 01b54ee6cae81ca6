import { Suspense, lazy } from 'react';
import { EstimateTabs } from './EstimateTabs.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';

const CostCharts = lazy(() => import('./CostCharts.tsx').then((m) => ({ default: m.CostCharts })));

/** Where a picture says it faster: cost by section and kind, hours by craft. */
export function ChartsPage() {
  return (
    <div className={layout.stage}>
      <div className={`${layout.bar} wraps`}>
        <EstimateTabs />
      </div>
      <div
        className={`${layout.scroll} ${styles.charts}`}
        tabIndex={0}
        role="region"
        aria-label={t('estimate.charts')}
      >
        <Suspense fallback={null}>
          <CostCharts />
        </Suspense>
      </div>
    </div>
  );
}
