/** A number is a number, below zero too: a guard before it would make it a text that nothing adds up. */
const NUMBER = /^[-−]?\d[\d.,\s]*(?:[eE][-+]?\d+)?$/;
/** How a text begins that a spreadsheet would run, also behind guards that were there before. */
const RUNS = /^'*[=+\-@\t\r]/;

/** A cell for CSV: a text that begins like a formula must not run in the spreadsheet that opens it. */
export const guarded = (text: string): string => (RUNS.test(text) && !NUMBER.test(text) ? `'${text}` : text);

/** Text that was guarded against running as a formula is the text again. */
export const unguarded = (text: string): string =>
  /^'+[=+\-@\t\r]/.test(text) && !NUMBER.test(text.slice(1)) ? text.slice(1) : text;

export const guardRows = (rows: readonly (readonly string[])[]): string[][] =>
  rows.map((row) => row.map(guarded));
