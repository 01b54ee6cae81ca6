export const problem = {
  thereIsNoCraftOrCrewCalled:
    'There is no craft or crew called {{text}}. Add it under Prices, Labour and regions.',
  wouldBeMeters: '{{text}} would be metres. Did you mean {{millimeters}} mm? Type the unit with it.',
  taxRate: 'VAT rate',
} as const;
