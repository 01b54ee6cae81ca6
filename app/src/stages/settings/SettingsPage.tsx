import { useOfJob } from '../../stores/jobHooks.ts';
import { settingsOf } from '@zest/core/job/job';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { AddedTaxSettings } from './AddedTaxSettings.tsx';
import { DocumentSettings } from './DocumentSettings.tsx';
import { MeasuringSettings } from './MeasuringSettings.tsx';
import { styles } from './styles.ts';

/** What holds for the job as a whole, to be changed at any time. */
export function SettingsPage() {
  const settings = useOfJob(({ job }) => settingsOf(job));
  return (
    <div className={layout.stage}>
      <div className={layout.bar}>
        <h1>{t('settings.jobSettings')}</h1>
      </div>
      <div className={`${layout.scroll} ${styles.page}`}>
        <MeasuringSettings settings={settings} />
        <AddedTaxSettings settings={settings} />
        <DocumentSettings settings={settings} />
      </div>
    </div>
  );
}
