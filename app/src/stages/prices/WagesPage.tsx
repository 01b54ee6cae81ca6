import { PriceTabs } from './PriceTabs.tsx';
import { Crafts } from './Crafts.tsx';
import { Crews } from './Crews.tsx';
import { Regions } from './Regions.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';

/** Who does the work and what an hour of it costs; and what prices are taken times where it is built. */
export function WagesPage() {
  return (
    <div className={layout.stage}>
      <div className={`${layout.bar} wraps`}>
        <PriceTabs />
      </div>
      <div
        className={`${layout.scroll} ${styles.wages}`}
        tabIndex={0}
        role="region"
        aria-label={t('prices.crewsWagesAndRegions')}
      >
        <Crafts />
        <Crews />
        <Regions />
      </div>
    </div>
  );
}
