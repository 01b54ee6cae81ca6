/** What stands in a formula, and the list of names while one types. */
export const formula = {
  measure: 'measure',
  ofTheScope: 'of the scope',
  question: 'question',
  component: 'component',
  namedFigure: 'named figure',
  scope: 'scope',
  table: 'table',
  column: 'column',
  function: 'function',
  names: 'Names',
} as const;
