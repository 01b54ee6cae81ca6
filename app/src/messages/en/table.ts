/** What tables say that are worked like spreadsheets. */
export const table = {
  pasted: 'Pasted: {{what}}.',
  nothingPasted: 'Nothing was pasted: no cell here takes it.',
  pastedChanged: '{{things}} changed',
  pastedAdded: '{{things}} added',
  pastedSkipped_one: '{{count}} cell left out: nothing can be typed there',
  pastedSkipped_other: '{{count}} cells left out: nothing can be typed there',
  pastedUnknown: 'no column for {{names}}',
} as const;
