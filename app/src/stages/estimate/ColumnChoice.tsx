import { Button } from '@chakra-ui/react';
import { Columns3 } from 'lucide-react';
import { useState } from 'react';
import { Modal } from '../../parts/Modal.tsx';
import type { ColumnChoice } from './columns.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

interface ColumnChoiceProps {
  readonly all: readonly ColumnChoice[];
  readonly usual: readonly string[];
  readonly shown: readonly string[];
  readonly onChoose: (ids: readonly string[]) => void;
}

/** Which columns are shown; their order is that of the list. */
export function ColumnChoiceButton({ all, usual, shown, onChoose }: ColumnChoiceProps) {
  const [open, setOpen] = useState(false);
  const groups = [...new Set(all.map(({ group }) => group))];
  const toggle = (id: string): void => {
    const next = new Set(shown);
    if (!next.delete(id)) next.add(id);
    onChoose(all.filter((column) => next.has(column.id)).map((column) => column.id));
  };
  return (
    <>
      <Button size="sm" variant="outline" onClick={() => setOpen(true)}>
        <Columns3 size={14} /> {t('estimate.columns')}
      </Button>
      {open ? (
        <Modal
          title={t('estimate.columns')}
          size="lg"
          onClose={() => setOpen(false)}
          footer={
            <>
              <Button size="sm" variant="outline" onClick={() => onChoose(usual)}>
                {t('estimate.theUsualOnes')}
              </Button>
              <Button size="sm" onClick={() => setOpen(false)}>
                {t('estimate.done')}
              </Button>
            </>
          }
        >
          <div className={styles.columnChoice}>
            {groups.map((group) => (
              <fieldset key={group}>
                <legend>{group}</legend>
                {all
                  .filter((column) => column.group === group)
                  .map(({ id, name }) => (
                    <Checkbox
                      key={id}
                      checked={shown.includes(id)}
                      disabled={id === 'description'}
                      onChange={() => toggle(id)}
                    >
                      {name}
                    </Checkbox>
                  ))}
              </fieldset>
            ))}
          </div>
        </Modal>
      ) : null}
    </>
  );
}
