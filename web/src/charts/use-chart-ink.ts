import { useMemo } from 'react';
import { useSettings } from '../state/settings-store.ts';
import { chartInk, type ChartInk } from './ink.ts';

/** The palette of a theme, read from the page's tokens, which follow the theme before any chart is drawn. */
function inkOf(theme: 'light' | 'dark'): ChartInk {
  const style = getComputedStyle(document.documentElement);
  return { ...chartInk((name) => style.getPropertyValue(`--${name}`).trim()), theme };
}

/** The palette of the theme in use. */
export function useChartInk(): ChartInk {
  const theme = useSettings((state) => state.theme);
  return useMemo(() => inkOf(theme), [theme]);
}
