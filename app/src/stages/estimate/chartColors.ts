import { useMemo } from 'react';
import { useView } from '../../stores/context.tsx';

export const CHART_FONT = "'IBM Plex Sans', sans-serif";

/** The tokens of the look as a chart needs them, of the theme at hand. */
export interface ChartColors {
  readonly ink: string;
  readonly soft: string;
  readonly line: string;
  readonly rind: string;
  readonly zest: string;
  readonly leaf: string;
  readonly pomelo: string;
  readonly berry: string;
}

const NAMES: Readonly<Record<keyof ChartColors, string>> = {
  ink: '--ink',
  soft: '--ink-soft',
  line: '--pith',
  rind: '--bar',
  zest: '--zest',
  leaf: '--leaf',
  pomelo: '--pomelo',
  berry: '--berry',
};

export function useChartColors(): ChartColors {
  const theme = useView((state) => state.theme);
  return useMemo(() => readColors(theme), [theme]);
}

function readColors(theme: 'light' | 'dark'): ChartColors {
  // Before the class of the theme is set, the page still has the colors of the other one.
  document.documentElement.classList.toggle('dark', theme === 'dark');
  const style = getComputedStyle(document.documentElement);
  return Object.fromEntries(
    Object.entries(NAMES).map(([key, name]) => [key, style.getPropertyValue(name).trim()]),
  ) as unknown as ChartColors;
}
