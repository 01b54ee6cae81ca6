import { type KeyboardEvent, useState } from 'react';
import { Modal } from '../parts/Modal.tsx';
import { t } from '../messages/t.ts';
import { BareButton, TextButton } from '../parts/buttons.tsx';
import { useSetView, useView } from '../stores/context.tsx';
import { DRAWING_KEYS } from '../workspace/tools/drawingKeys.ts';
import { TABLE_KEYS } from '../tables/gridKeys.ts';
import type { Action } from './action.ts';
import { isWholeKey, refuseKey, writeKey } from './keys.ts';
import { useActions } from './useActions.ts';
import { styles } from './styles.ts';
import { layout } from '../theme/layout.ts';
import { Kbd } from '../parts/Kbd.tsx';

/** The keys, from the same list that runs them; those of actions can be changed. */
export function KeysDialog() {
  const open = useView((state) => state.keysOpen);
  const setView = useSetView();
  if (!open) return null;
  return (
    <Modal title={t('frame.keys')} size="xl" onClose={() => setView({ keysOpen: false })}>
      <div className={styles.keys}>
        <div>
          <ActionKeys />
        </div>
        <div>
          <KeyList title={t('frame.whileDrawing')} keys={DRAWING_KEYS} />
          <KeyList title={t('frame.inATable')} keys={TABLE_KEYS} />
        </div>
      </div>
    </Modal>
  );
}

/** Over both columns, the words and the keys. */
const WHOLE_ROW = { gridColumn: '1 / -1', margin: 0 } as const;

function ActionKeys() {
  const actions = useActions();
  const keys = useView((state) => state.keys);
  const setView = useSetView();
  const [asked, setAsked] = useState<string | undefined>();
  const [refused, setRefused] = useState<string | undefined>();
  const onKey = (id: string, event: KeyboardEvent): void => {
    if (event.key === 'Escape') return setAsked(undefined);
    event.preventDefault();
    event.stopPropagation();
    const key = writeKey(event.nativeEvent);
    if (event.key === 'Backspace') return choose(id, '');
    if (!isWholeKey(key)) return;
    const reason = refuseKey(key, id, actions);
    setRefused(reason);
    if (reason === undefined) choose(id, key);
  };
  const choose = (id: string, key: string): void => {
    setView({ keys: { ...keys, [id]: key } });
    setAsked(undefined);
    setRefused(undefined);
  };
  const line = (action: Action) => (
    <KeyOfAction
      key={action.id}
      action={action}
      asked={asked === action.id}
      refused={asked === action.id ? refused : undefined}
      onAsk={() => {
        setAsked(asked === action.id ? undefined : action.id);
        setRefused(undefined);
      }}
      onKey={(event) => onKey(action.id, event)}
    />
  );
  return (
    <section aria-label={t('frame.anywhere')}>
      <h3>{t('frame.anywhere')}</h3>
      <p className="soft" style={WHOLE_ROW}>
        {t('frame.clickAKeyToChangeIt')}
      </p>
      {actions.filter(({ key }) => key !== undefined).map(line)}
      <h3>{t('frame.withoutAKey')}</h3>
      {actions.filter(({ key }) => key === undefined).map(line)}
      {Object.keys(keys).length === 0 ? null : (
        <TextButton onClick={() => setView({ keys: {} })}>{t('frame.theUsualKeysAgain')}</TextButton>
      )}
    </section>
  );
}

interface KeyOfActionProps {
  readonly action: Action;
  /** The next key that is pressed is its own. */
  readonly asked: boolean;
  /** Why the key that was pressed cannot be taken. */
  readonly refused: string | undefined;
  readonly onAsk: () => void;
  readonly onKey: (event: KeyboardEvent) => void;
}

const KeyOfAction = ({ action: { label, key }, asked, refused, onAsk, onKey }: KeyOfActionProps) => (
  <>
    <span>{label}</span>
    <BareButton
      aria-label={t('frame.changeTheKeyOf', { label })}
      aria-pressed={asked}
      title={key ?? t('frame.noKey')}
      onClick={onAsk}
      onKeyDown={asked ? onKey : undefined}
    >
      <Kbd>{asked ? '…' : (key ?? '–')}</Kbd>
    </BareButton>
    {asked ? (
      // Right below the key: the list is longer than the dialog.
      <span
        role={refused === undefined ? 'status' : 'alert'}
        className={refused === undefined ? 'soft' : layout.fieldError}
        style={WHOLE_ROW}
      >
        {refused ?? t('frame.pressTheNewKey')}
      </span>
    ) : null}
  </>
);

interface KeyListProps {
  readonly title: string;
  readonly keys: readonly (readonly [keys: string, what: string])[];
}

const KeyList = ({ title, keys }: KeyListProps) => (
  <section aria-label={title}>
    <h3>{title}</h3>
    {keys.map(([key, what]) => (
      <KeyLine key={`${key} ${what}`} what={what} keys={key} />
    ))}
  </section>
);

const KeyLine = ({ what, keys }: { readonly what: string; readonly keys: string }) => (
  <>
    <span>{what}</span>
    <Kbd>{keys}</Kbd>
  </>
);
