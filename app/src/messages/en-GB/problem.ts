export const problem = {
  thereIsNoCraftOrCrewCalled:
    'There is no craft or crew called {{text}}. Add it under Prices, Labour and regions.',
  taxRate: 'VAT rate',
} as const;
