import { type DrawEvent, type DrawState, type DrawnKind, type Form, currentStroke, formsOf } from './draw.ts';

/** Letters that may stand in a typed piece: lengths with their units, an angle after @, a rise. */
const PIECE_CHARACTER = /^[0-9.,'"′″/ \-+*a-z@°]$/i;
/** What begins one: a digit, or a sign for a rise. */
const BEGINS_PIECE = /^[0-9+-]$/;

/** Keys of the forms; pressed again they lead back to straight pieces. */
const FORM_KEYS: Readonly<Record<string, Form>> = { k: 'arc', g: 'route', e: 'box', w: 'slant', q: 'circle' };

/** What a key means to the pen while it draws; false where it means nothing. */
export function onDrawKey(
  event: KeyboardEvent,
  draft: DrawState,
  kind: DrawnKind,
  draw: (event: DrawEvent) => void,
): boolean {
  const drawing = currentStroke(draft).length > 0;
  const form = FORM_KEYS[event.key.toLowerCase()];
  const typing = draft.typed !== '';
  if (event.key === 'Enter') draw({ type: 'complete' });
  else if (event.key === 'Escape') draw({ type: 'cancel' });
  else if (event.key === 'Backspace') draw({ type: 'back' });
  else if (drawing && (typing ? PIECE_CHARACTER : BEGINS_PIECE).test(event.key))
    draw({ type: 'type', character: event.key });
  else if (event.key === '.') draw({ type: 'lift' });
  else if (form !== undefined && formsOf(kind).includes(form))
    draw({ type: 'form', form: draft.form === form ? 'line' : form });
  else return false;
  return true;
}
