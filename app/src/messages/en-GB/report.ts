export const report = {
  hoursByCraft: 'Labour hours by craft and crew',
  hoursBySection: 'Labour hours by section',
  folderLabor: 'Labour, plant, subcontracts',
  equipment: 'Plant and equipment',
  forms: 'Formwork',
} as const;
