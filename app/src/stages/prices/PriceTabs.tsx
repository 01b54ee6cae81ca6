import { PageTabs } from '../../components/PageTabs.tsx';

const TABS = [
  ['prices', 'Price book'],
  ['wages', 'Labor and regions'],
] as const;

/** What things cost, and what an hour of those who build them costs, where. */
export const PriceTabs = () => <PageTabs stage="Prices" tabs={TABS} />;
