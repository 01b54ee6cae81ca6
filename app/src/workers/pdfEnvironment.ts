/**
 * pdf.js asks for a window and a document even where it needs neither. This must be loaded before it,
 * hence a module of its own.
 */
const scope = globalThis as unknown as { window?: unknown };
scope.window ??= globalThis;
