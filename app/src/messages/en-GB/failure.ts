export const failure = {
  hasNoWageSetItUnderPrices: '{{craft}} has no wage. Set it under Prices, Labour and regions.',
} as const;
