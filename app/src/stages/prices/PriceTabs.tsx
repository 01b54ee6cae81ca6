import { PageTabs } from '../../components/PageTabs.tsx';
import { t } from '../../messages/t.ts';

const TABS = [
  ['prices', t('prices.priceBook')],
  ['wages', t('prices.laborAndRegions')],
] as const;

/** What things cost, and what an hour of those who build them costs, where. */
export const PriceTabs = () => <PageTabs stage={t('frame.prices')} tabs={TABS} />;
