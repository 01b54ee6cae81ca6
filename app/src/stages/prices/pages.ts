import { t } from '../../messages/t.ts';

/** What things cost, and what an hour of those who build them costs, where. */
export const PAGES = {
  prices: {
    path: 'prices',
    name: t('prices.priceBook'),
    goTo: t('frame.goTo', { name: t('frame.prices') }),
  },
  wages: { path: 'wages', name: t('prices.laborAndRegions'), goTo: t('frame.goToCrewsWagesAndRegions') },
} as const;
