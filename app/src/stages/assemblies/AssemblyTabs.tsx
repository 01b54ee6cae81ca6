import { PageTabs } from '../../components/PageTabs.tsx';
import { t } from '../../messages/t.ts';

const TABS = [
  ['assemblies', t('assemblies.inThisJob')],
  ['library', t('assemblies.library')],
  ['figures', t('assemblies.figuresAndTables')],
] as const;

/** The three places where what is measured becomes material: the job's assemblies, the library, named figures. */
export const AssemblyTabs = () => <PageTabs stage={t('frame.assemblies')} tabs={TABS} />;
