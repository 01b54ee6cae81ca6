import { PriceTabs } from './PriceTabs.tsx';
import { Crafts } from './Crafts.tsx';
import { Crews } from './Crews.tsx';
import { Regions } from './Regions.tsx';
import { t } from '../../messages/t.ts';

/** Who does the work and what an hour of it costs; and what prices are taken times where it is built. */
export function WagesPage() {
  return (
    <div className="stage">
      <div className="bar wraps">
        <PriceTabs />
      </div>
      <div className="scroll wages" tabIndex={0} role="region" aria-label={t('prices.crewsWagesAndRegions')}>
        <Crafts />
        <Crews />
        <Regions />
      </div>
    </div>
  );
}
