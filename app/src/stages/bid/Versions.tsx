import { useNavigate } from 'react-router';
import { remove } from '@zest/core/job/change';
import { inOrder } from '@zest/core/job/job';
import type { Version } from '@zest/core/job/records/version';
import { formatMoney } from '@zest/core/pricing/money';
import { MoreMenu } from '../../parts/MoreMenu.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { fileName } from '../../storage/jobFiles.ts';
import { useFormats, useServices } from '../../stores/context.tsx';
import { useJobId, useTable } from '../../stores/jobHooks.ts';
import { useSettle } from '../../stores/useSettle.ts';
import { longDay } from '../../messages/dates.ts';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

/** What was sent, the latest first: each can be opened as it was, and held against the bid of today. */
export function Versions() {
  const versions = [...inOrder(useTable('version').values())].reverse();
  return (
    <section aria-label={t('bid.versions')}>
      <h2 className={styles.listHead}>{t('bid.versions')}</h2>
      {versions.length === 0 ? (
        <p className={`soft ${styles.listNote}`}>{t('bid.noVersionsYet')}</p>
      ) : (
        versions.map((version) => <VersionRow key={version.id} version={version} />)
      )}
    </section>
  );
}

function VersionRow({ version }: { readonly version: Version }) {
  const { numbers } = useFormats();
  const services = useServices();
  const jobId = useJobId();
  const navigate = useNavigate();
  const settle = useSettle();
  const { name, number, date, total, currency, note, snapshot } = version;
  const open = async (): Promise<void> => {
    const pdf = await services.storage.readFile(jobId, version.fileId);
    if (pdf === undefined) tellProblem(t('bid.pdfIsGone'));
    else services.download(fileName(t('bid.versionOf', { name, number }), '.pdf'), pdf);
  };
  const compare = (): void => {
    if (snapshot === '') tellProblem(t('bid.noStateKept'));
    else void navigate(`/job/${jobId}/compare?from=${encodeURIComponent(snapshot)}`);
  };
  const drop = (): void => {
    const refused = settle(t('bid.deleteVersionNamed', { name, number }), remove(version.id, version.fileId));
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <div className={styles.version}>
      <div>
        <b>{t('bid.versionOf', { name, number })}</b>
        <div className="soft">{[longDay(date), note].filter(Boolean).join(', ')}</div>
        <div className="figure">{formatMoney(total, { currency, numbers })}</div>
      </div>
      <MoreMenu
        label={t('bid.moreWithVersion', { name, number })}
        entries={[
          [t('bid.openPdf'), () => void open()],
          [t('bid.changesSince'), compare],
          [t('bid.deleteVersion'), drop],
        ]}
      />
    </div>
  );
}
