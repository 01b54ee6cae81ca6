export const word = {
  rake: 'verge',
  centerLength: 'centre length',
  labor: 'Labour',
  onLabor: 'on labour',
} as const;
