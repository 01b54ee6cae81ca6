import { Trash2 } from 'lucide-react';
import { useRef, useState } from 'react';
import { put, remove } from '@zest/core/job/change';
import type { Logo } from '@zest/core/job/records/logo';
import type { Settings } from '@zest/core/job/records/settings';
import { Button } from '@chakra-ui/react';
import { t } from '../../messages/t.ts';
import { CommitArea } from '../../parts/CommitArea.tsx';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { FileInput } from '../../parts/FileInput.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { Refusal } from '../../parts/Refusal.tsx';
import { useServices } from '../../stores/context.tsx';
import { useTable } from '../../stores/jobHooks.ts';
import { useSettle } from '../../stores/useSettle.ts';
import { addressOfLogo, readLogo } from './readLogo.ts';
import { styles } from './styles.ts';
import { useChangeSettings } from './useSettings.ts';

/** Who bids: what stands at the head of every document. */
export function CompanyCard({ settings }: { readonly settings: Settings }) {
  const set = useChangeSettings(settings);
  return (
    <section className={styles.card} aria-label={t('settings.yourCompany')}>
      <h2>{t('settings.yourCompany')}</h2>
      <label>
        <span className="soft">{t('settings.companyName')}</span>
        <CommitInput
          label={t('settings.companyName')}
          value={settings.company}
          onCommit={(text) =>
            set({
              company: text.trim(),
              // What the company keeps is called as the company is.
              ...(settings.ofCompany === true && text.trim() !== '' ? { name: text.trim() } : {}),
            })
          }
        />
      </label>
      <div>
        <span className="soft">{t('settings.companyAddress')}</span>
        <CommitArea
          label={t('settings.companyAddress')}
          value={settings.companyAddress}
          onCommit={(companyAddress) => set({ companyAddress })}
        />
      </div>
      <label>
        <span className="soft">{t('settings.taxNumber')}</span>
        <CommitInput
          label={t('settings.taxNumber')}
          value={settings.taxNumber ?? ''}
          onCommit={(text) => set({ taxNumber: text.trim() === '' ? undefined : text.trim() })}
        />
      </label>
      <LogoField />
    </section>
  );
}

/** The picture at the head of a bid. */
function LogoField() {
  const [logo] = useTable('logo').values();
  const { makeId } = useServices();
  const settle = useSettle();
  const chooser = useRef<HTMLInputElement>(null);
  const [refusal, setRefusal] = useState<string | undefined>();
  const take = async (file: File): Promise<void> => {
    const read = await readLogo(file, logo?.id ?? makeId('logo'));
    setRefusal(typeof read === 'string' ? read : settle(t('settings.chooseALogo2'), put(read)));
    if (chooser.current !== null) chooser.current.value = '';
  };
  return (
    <div>
      <span className="soft">{t('settings.logo')}</span>
      <div className={styles.logo}>
        {logo === undefined ? null : <LogoPicture logo={logo} />}
        <Button size="xs" variant="outline" onClick={() => chooser.current?.click()}>
          {logo === undefined ? t('settings.chooseALogo') : t('settings.chooseAnotherLogo')}
        </Button>
        <FileInput
          ref={chooser}
          target="logo"
          label={t('settings.logoFile')}
          onFile={(file) => void take(file)}
        />
        {logo === undefined ? null : (
          <IconAction
            label={t('settings.removeTheLogo')}
            icon={Trash2}
            onClick={() => setRefusal(settle(t('settings.removeTheLogo'), remove(logo.id)))}
          />
        )}
      </div>
      <Refusal>{refusal}</Refusal>
    </div>
  );
}

const LogoPicture = ({ logo }: { readonly logo: Logo }) => (
  <img src={addressOfLogo(logo)} alt={t('settings.logoOfTheCompany')} className={styles.logoPicture} />
);
