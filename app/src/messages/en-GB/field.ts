export const field = {
  labor: 'Labour',
  laborOfOne: 'Labour of one',
  leveledTotal: 'Levelled total',
} as const;
