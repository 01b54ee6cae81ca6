import { update } from '@zest/core/job/change';
import type { Settings } from '@zest/core/job/records/settings';
import { t } from '../../messages/t.ts';
import { useSettle } from '../../stores/useSettle.ts';

export type ChangeSettings = (changed: Partial<Settings>) => string | undefined;

/** Changes settings of the job in one step; says what was wrong, or nothing. What is set to undefined is left out. */
export function useChangeSettings(settings: Settings): ChangeSettings {
  const settle = useSettle();
  return (changed) =>
    settle(
      t('settings.changeTheSettings'),
      update(settings, (now) => {
        const next = { ...now, ...changed };
        return Object.fromEntries(
          Object.entries(next).filter(([, value]) => value !== undefined),
        ) as Settings;
      }),
    );
}
