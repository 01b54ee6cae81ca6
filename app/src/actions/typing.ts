/** Typing belongs to the field that has the focus; a box that is ticked takes no text. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) &&
  !(target instanceof HTMLInputElement && target.type === 'checkbox');

export const isInDialog = (): boolean =>
  document.querySelector('[role="dialog"],[role="alertdialog"]') !== null;
