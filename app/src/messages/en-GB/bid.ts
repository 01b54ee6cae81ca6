export const bid = {
  labor: 'Labour',
  taxOnMaterials: 'VAT on materials {{percent}} %',
} as const;
