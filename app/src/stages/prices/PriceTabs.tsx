import { PageTabs } from '../../parts/PageTabs.tsx';
import { t } from '../../messages/t.ts';
import { PAGES } from './pages.ts';

export const PriceTabs = () => <PageTabs stage={t('frame.prices')} pages={Object.values(PAGES)} />;
