import { Settings2 } from 'lucide-react';
import { t } from '../../messages/t.ts';
import type { Stage } from '../stage.ts';

export const stage: Stage = {
  path: 'settings',
  ofCompany: t('settings.company'),
  name: t('settings.job'),
  icon: Settings2,
  atFoot: true,
  pages: [
    {
      path: 'settings',
      name: t('settings.jobSettings'),
      goTo: t('settings.goToTheJobSettings'),
      load: () => import('./SettingsPage.tsx').then(({ SettingsPage }) => SettingsPage),
    },
  ],
};
