import { PageTabs } from '../../components/PageTabs.tsx';
import { t } from '../../messages/t.ts';

const TABS = [
  ['estimate', t('estimate.lines')],
  ['quotes', t('estimate.quotes')],
  ['compare', t('estimate.compare')],
  ['charts', t('estimate.charts')],
] as const;

/** The places where the bid is made, doubted and changed. */
export const EstimateTabs = () => <PageTabs stage={t('frame.estimate')} tabs={TABS} />;
