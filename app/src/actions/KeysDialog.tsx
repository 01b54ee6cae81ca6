import { Modal } from '../components/Modal.tsx';
import { useSetView, useView } from '../stores/context.tsx';
import { TABLE_KEYS } from '../tables/gridKeys.ts';
import { DRAWING_KEYS, useActions } from './useActions.ts';
import { t } from '../messages/t.ts';

/** The keys, from the same list that runs them. */
export function KeysDialog() {
  const open = useView((state) => state.keysOpen);
  const setView = useSetView();
  const actions = useActions();
  if (!open) return null;
  return (
    <Modal title={t('frame.keys')} size="xl" onClose={() => setView({ keysOpen: false })}>
      <div className="keys">
        <div>
          <KeyList
            title={t('frame.anywhere')}
            keys={actions.flatMap(({ key, label }) => (key === undefined ? [] : [[key, label] as const]))}
          />
          <KeyList title={t('frame.inATable')} keys={TABLE_KEYS} />
        </div>
        <KeyList title={t('frame.whileDrawing')} keys={DRAWING_KEYS} />
      </div>
    </Modal>
  );
}

interface KeyListProps {
  readonly title: string;
  readonly keys: readonly (readonly [keys: string, what: string])[];
}

function KeyList({ title, keys }: KeyListProps) {
  return (
    <section aria-label={title}>
      <h3>{title}</h3>
      {keys.map(([key, what]) => (
        <KeyLine key={`${key} ${what}`} what={what} keys={key} />
      ))}
    </section>
  );
}

function KeyLine({ what, keys }: { readonly what: string; readonly keys: string }) {
  return (
    <>
      <span>{what}</span>
      <kbd>{keys}</kbd>
    </>
  );
}
