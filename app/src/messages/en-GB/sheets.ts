export const sheets = {
  readingWasCanceledNoSheetsWereAdded: 'Reading {{name}} was cancelled; no sheets were added.',
} as const;
