export const measure = {
  colorOfAScope: 'colour of a scope',
  colorAndPattern: 'Colour and pattern, {{name}}',
  colorsBy: 'Colours by',
} as const;
