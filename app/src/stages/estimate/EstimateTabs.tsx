import { PageTabs } from '../../parts/PageTabs.tsx';
import { t } from '../../messages/t.ts';
import { PAGES } from './pages.ts';

export const EstimateTabs = () => <PageTabs stage={t('frame.estimate')} pages={Object.values(PAGES)} />;
