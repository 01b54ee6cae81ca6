import { Button } from '@chakra-ui/react';
import { Download } from 'lucide-react';
import { useOfJob } from '../../stores/jobHooks.ts';
import { settingsOf } from '@zest/core/job/job';
import type { Settings } from '@zest/core/job/records/settings';
import { useExportJob } from '../../frame/useExportJob.ts';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { Markups } from '../estimate/Markups.tsx';
import { AddedTaxSettings } from './AddedTaxSettings.tsx';
import { CompanyCard } from './CompanyCard.tsx';
import { CompanyChanges } from './CompanyChanges.tsx';
import { DocumentSettings } from './DocumentSettings.tsx';
import { MeasuringSettings } from './MeasuringSettings.tsx';
import { SectionsCard } from './SectionsCard.tsx';
import { TextBlocksCard } from './TextBlocksCard.tsx';
import { styles } from './styles.ts';

/** What holds for the job as a whole, to be changed at any time; or what the company keeps for all its jobs. */
export function SettingsPage() {
  const settings = useOfJob(({ job }) => settingsOf(job));
  return settings.ofCompany === true ? <OfCompany settings={settings} /> : <OfJob settings={settings} />;
}

interface PageProps {
  readonly settings: Settings;
}

const OfJob = ({ settings }: PageProps) => (
  <div className={layout.stage}>
    <div className={layout.bar}>
      <h1>{t('settings.jobSettings')}</h1>
    </div>
    <div className={`${layout.scroll} ${styles.page}`}>
      <MeasuringSettings settings={settings} />
      <AddedTaxSettings settings={settings} />
      <DocumentSettings settings={settings} />
      <CompanyCard settings={settings} />
      <CompanyChanges />
      <TextBlocksCard />
    </div>
  </div>
);

function OfCompany({ settings }: PageProps) {
  const exportIt = useExportJob();
  return (
    <div className={layout.stage}>
      <div className={layout.bar}>
        <h1>{t('settings.company')}</h1>
        <span className="soft">{t('settings.newJobsTakeThis')}</span>
        <Button size="sm" variant="outline" ms="auto" onClick={() => void exportIt()}>
          <Download size={14} /> {t('settings.exportTheCompany')}
        </Button>
      </div>
      <div className={`${layout.scroll} ${styles.page}`}>
        <CompanyCard settings={settings} />
        <section className={styles.card} aria-label={t('settings.markups')}>
          <h2>{t('settings.markups')}</h2>
          <Markups />
        </section>
        <AddedTaxSettings settings={settings} />
        <MeasuringSettings settings={settings} />
        <DocumentSettings settings={settings} />
        <TextBlocksCard />
        <SectionsCard />
      </div>
    </div>
  );
}
