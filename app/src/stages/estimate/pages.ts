import { t } from '../../messages/t.ts';

/** The places where the bid is made, doubted and changed. */
export const PAGES = {
  estimate: {
    path: 'estimate',
    name: t('estimate.lines'),
    goTo: t('frame.goTo', { name: t('frame.estimate') }),
  },
  quotes: { path: 'quotes', name: t('estimate.quotes'), goTo: t('frame.goToQuotes') },
  compare: { path: 'compare', name: t('estimate.compare'), goTo: t('frame.goToSnapshotsAndTheBridge') },
  charts: { path: 'charts', name: t('estimate.charts'), goTo: t('frame.goToTheCharts') },
} as const;
