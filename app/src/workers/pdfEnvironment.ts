/**
 * pdf.js asks for a window and a document even where it needs neither. This must be loaded before it,
 * hence a module of its own.
 */
const scope = globalThis as unknown as { window?: unknown };
scope.window ??= globalThis;

/** pdf.js yields between slices of a page by frames; a worker has none to wait for while its tab is hidden. */
(globalThis as unknown as { requestAnimationFrame: (next: () => void) => number }).requestAnimationFrame = (
  next,
) => setTimeout(next, 0) as unknown as number;
(globalThis as unknown as { cancelAnimationFrame: (id: number) => void }).cancelAnimationFrame = (id) =>
  clearTimeout(id);
