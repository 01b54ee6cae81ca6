import { Modal } from '../components/Modal.tsx';
import { useSetView, useView } from '../stores/context.tsx';
import { DRAWING_KEYS, useActions } from './useActions.ts';

/** The keys, from the same list that runs them. */
export function KeysDialog() {
  const open = useView((state) => state.keysOpen);
  const setView = useSetView();
  const actions = useActions();
  if (!open) return null;
  return (
    <Modal title="Keys" onClose={() => setView({ keysOpen: false })}>
      <div className="keys">
        {actions
          .filter(({ key }) => key !== undefined)
          .map(({ id, label, key }) => (
            <KeyLine key={id} what={label} keys={key ?? ''} />
          ))}
        <b style={{ gridColumn: '1 / 3', marginTop: 8 }}>While drawing</b>
        {DRAWING_KEYS.map(([keys, what]) => (
          <KeyLine key={keys} what={what} keys={keys} />
        ))}
      </div>
    </Modal>
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
