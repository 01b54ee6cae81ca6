/** A text as far as a sentence has room for it. */
export const short = (text: string, limit = 60): string =>
  text.length > limit ? `${text.slice(0, limit)}…` : text;

/** The same in quotation marks. */
export const quote = (text: string): string => `‘${short(text)}’`;
