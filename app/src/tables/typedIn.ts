/** What stands in the editor of a cell, a field or a line that is edited in place; undefined outside of one. */
export function typedIn(target: EventTarget | null): string | undefined {
  if (target === null || typeof Element === 'undefined' || !(target instanceof Element)) return undefined;
  if (target instanceof HTMLInputElement) return target.value;
  const line = target.closest('[contenteditable=true]');
  return line === null ? undefined : (line.textContent ?? '');
}
