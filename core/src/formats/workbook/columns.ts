/** The number of a column from 1, by its letters: A, Z, AA. */
export const columnNumber = (letters: string): number =>
  [...letters].reduce((column, letter) => column * 26 + letter.charCodeAt(0) - 64, 0);

/** The letters of a column, by its number from 1. */
export function columnLetters(column: number): string {
  let letters = '';
  for (let rest = column; rest > 0; rest = Math.floor((rest - 1) / 26))
    letters = String.fromCharCode(65 + ((rest - 1) % 26)) + letters;
  return letters;
}
