/** What may be pressed with the pointer and goes on to the sheet by keys: a scope, then the letter of a pen. */
const PRESSED = 'button, a, input, select, textarea, [role="button"], [role="option"], [role="row"], summary';
const PANELS = 'aside, [role="complementary"], form, fieldset, [role="dialog"], .bar';

let missed = false;

/**
 * Whether the pointer last went into a panel and hit nothing there: someone who missed a field by a hair
 * and types on must not draw with it.
 */
export const isBesideField = (): boolean => missed && document.activeElement === document.body;

const isElement = (target: EventTarget | null): target is Element => target instanceof Element;

/** Follows the pointer for `isBesideField`; returns how to stop. */
export function watchPointer(on: Window = window): () => void {
  const down = ({ target }: Event): void => {
    missed = isElement(target) && target.closest(PANELS) !== null && target.closest(PRESSED) === null;
  };
  on.addEventListener('pointerdown', down, true);
  return () => {
    missed = false;
    on.removeEventListener('pointerdown', down, true);
  };
}
