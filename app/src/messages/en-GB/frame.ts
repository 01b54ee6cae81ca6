export const frame = {
  bidDriftedByVersion:
    'The bid was {{before}} when this job was last saved; this version of the program makes it {{now}}. Waste used to raise labour hours and equipment too; now it raises material only, unless a component says otherwise. Check the bid before you send it.',
  taxOnMaterials: 'VAT on materials {{percent}} %',
} as const;
