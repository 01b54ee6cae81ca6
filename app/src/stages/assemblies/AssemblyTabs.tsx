import { PageTabs } from '../../parts/PageTabs.tsx';
import { t } from '../../messages/t.ts';
import { PAGES } from './pages.ts';

export const AssemblyTabs = () => <PageTabs stage={t('frame.assemblies')} pages={Object.values(PAGES)} />;
