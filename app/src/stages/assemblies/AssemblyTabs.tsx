import { PageTabs } from '../../components/PageTabs.tsx';

const TABS = [
  ['assemblies', 'In this job'],
  ['library', 'Library'],
  ['figures', 'Figures and tables'],
] as const;

/** The three places where what is measured becomes material: the job's assemblies, the library, named figures. */
export const AssemblyTabs = () => <PageTabs stage="Assemblies" tabs={TABS} />;
