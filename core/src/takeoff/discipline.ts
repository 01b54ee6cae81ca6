/** What the letters before a sheet number stand for on drawings (common practice; UDS designators). */
const DISCIPLINES: Readonly<Record<string, string>> = {
  G: 'General',
  C: 'Civil',
  L: 'Landscape',
  S: 'Structural',
  A: 'Architectural',
  I: 'Interiors',
  F: 'Fire protection',
  P: 'Plumbing',
  M: 'Mechanical',
  E: 'Electrical',
  T: 'Telecommunications',
  D: 'Demolition',
};

/** The discipline a sheet number tells by its first letter; empty where it tells none. */
export const disciplineOf = (sheetNumber: string): string =>
  DISCIPLINES[/^\s*([A-Za-z])/.exec(sheetNumber)?.[1]?.toUpperCase() ?? ''] ?? '';

/** Words of a title that name a level, longest first. */
const LEVELS =
  /\b(basement|lower level|ground floor|upper floor|(?:first|second|third|fourth|fifth|\d+(?:st|nd|rd|th)) floor|mezzanine|level \d+|roof)\b/i;

/** The level a sheet's title names: `Ground floor plan` is on the ground floor. Empty for none. */
export function levelNameOf(title: string): string {
  const found = LEVELS.exec(title)?.[0];
  return found === undefined ? '' : found.charAt(0).toUpperCase() + found.slice(1).toLowerCase();
}
