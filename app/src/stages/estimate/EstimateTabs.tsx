import { PageTabs } from '../../components/PageTabs.tsx';

const TABS = [
  ['estimate', 'Lines'],
  ['quotes', 'Quotes'],
  ['compare', 'Compare'],
  ['charts', 'Charts'],
] as const;

/** The places where the bid is made, doubted and changed. */
export const EstimateTabs = () => <PageTabs stage="Estimate" tabs={TABS} />;
