export const frame = {
  wasteUsedToRaiseLaborHoursAnd:
    'Waste used to raise labour hours and equipment too; now it raises material only, unless a component says otherwise. ',
  taxOnMaterials: 'VAT on materials {{percent}} %',
} as const;
