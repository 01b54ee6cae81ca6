/** How figures are written: the marks, and what a figure looks like with them. */
export const NUMBER_STYLES = {
  point: { label: '1,234.56', decimalMark: '.', groupMark: ',' },
  comma: { label: '1.234,56', decimalMark: ',', groupMark: '.' },
  space: { label: '1 234,56', decimalMark: ',', groupMark: ' ' },
} as const;
export type NumberStyle = keyof typeof NUMBER_STYLES;

export const NUMBER_STYLE_NAMES = ['point', 'comma', 'space'] as const satisfies readonly NumberStyle[];

export const CURRENCIES = ['USD', 'EUR', 'GBP', 'CAD', 'AUD', 'CHF', 'JPY', 'KWD'] as const;
