/** The paragraphs of a text that is written one to a line; empty lines are none. */
export const paragraphs = (text: string): readonly string[] =>
  text
    .split('\n')
    .map((each) => each.trim())
    .filter((each) => each !== '');
