export const prices = {
  selectAnItemToSeeItsLabor: 'Select an item to see its labour, sizes and where its price comes from.',
  laborIs: 'Labour is',
  laborHours: 'labour hours',
  laborFigure: 'Labour figure',
  oneWithoutLabor: 'One {{unit}}, without labour',
  laborHours2: '{{figure}} labour hours',
  laborAndRegions: 'Labour and regions',
  labor: 'Labour ×',
  labor2: 'Labour',
  laborHoursOrUnitsThatAreDone: 'Labour hours, or units that are done in an hour or a day',
} as const;
