import { Button } from '@chakra-ui/react';
import type { Sheet } from '@zest/core/job/records/sheet';
import { useSetView, useView } from '../../stores/context.tsx';
import { useTextHits } from './SheetSigns.tsx';
import { TextInput } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

/** Words looked for on the sheet: how often they stand on it, and an end of looking. */
export function SoughtNote({ sheet }: { readonly sheet: Sheet }) {
  const sought = useView((state) => state.soughtText);
  const setView = useSetView();
  const hits = useTextHits(sheet, sought);
  return (
    <div className={styles.deskNote} role="note">
      <label>
        <b>{t('workspace.lookingFor')}</b>
        <TextInput value={sought} onChange={(event) => setView({ soughtText: event.target.value })} />
      </label>
      <div className="row">
        <span role="status">
          {t('workspace.on2', {
            places: t('count.place', { count: hits.length }),
            number: sheet.number || t('workspace.thisSheet2'),
          })}
        </span>
        <span style={{ flex: 1 }} />
        <Button size="xs" variant="outline" onClick={() => setView({ soughtText: '' })}>
          {t('workspace.done')}
        </Button>
      </div>
    </div>
  );
}
