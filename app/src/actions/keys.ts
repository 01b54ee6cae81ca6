import type { Action } from './action.ts';
import { t } from '../messages/t.ts';

/** Keys by the ids of actions, where a person has chosen others; an empty text is no key. */
export type ChosenKeys = Readonly<Record<string, string>>;

/** How a key press is written in the list. */
export function writeKey(event: KeyboardEvent): string {
  const key = event.key.length === 1 ? event.key.toUpperCase() : event.key;
  const shifted = event.shiftKey && /^[A-Z]$|^.{2,}$/.test(key);
  const parts = [
    event.ctrlKey || event.metaKey ? 'Ctrl' : '',
    event.altKey ? 'Alt' : '',
    shifted ? 'Shift' : '',
    key,
  ];
  return parts.filter(Boolean).join('+');
}

/** An action with the key it has now. */
export function withKey(action: Action, chosen: ChosenKeys): Action {
  const { key: usual, ...plain } = action;
  const key = chosen[action.id] ?? usual;
  return key === undefined || key === '' ? plain : { ...plain, key };
}

/** Needed in tables and fields, while drawing, or by the browser, whatever has the focus. */
const NEEDED = new Set(
  [
    'Enter Escape Tab Backspace Delete ArrowLeft ArrowRight ArrowUp ArrowDown Home End PageUp PageDown F2 F5 F11 F12',
    'Shift+Enter Shift+Tab Ctrl+Enter Ctrl+Delete Ctrl+Home Ctrl+End Ctrl+D Ctrl+A Ctrl+C Ctrl+X Ctrl+V Ctrl+Y',
    'Ctrl+N Ctrl+T Ctrl+W Ctrl+R Ctrl+L Ctrl+P Ctrl+Shift+N Ctrl+Shift+T Ctrl+Shift+W Ctrl+Shift+R Alt+F4',
    'Alt+ArrowUp Alt+ArrowDown Alt+ArrowLeft Alt+ArrowRight',
    '0 1 2 3 4 5 6 7 8 9 + - = . , [ ] K G E W Q N X',
  ]
    .join(' ')
    .split(' '),
);
/** A key that is only held with others. */
const HELD = /^((Ctrl|Alt|Shift)(\+|$))*(Control|Meta|AltGraph)?$/;

/** Whether a press says a key at all, or is on its way to one. */
export const isWholeKey = (key: string): boolean => !HELD.test(key) && key !== 'Dead' && key !== ' ';

/** Why an action cannot have a key; undefined where it can. */
export function refuseKey(key: string, id: string, actions: readonly Action[]): string | undefined {
  if (NEEDED.has(key)) return t('frame.keyIsNeeded', { key });
  const other = actions.find((each) => each.key === key && each.id !== id);
  return other === undefined ? undefined : t('frame.keyIsTaken', { key, label: other.label });
}
