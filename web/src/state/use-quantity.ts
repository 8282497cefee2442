import { useCallback } from 'react';
import { convert, formatNumber, shownUnit, unitText, usualDigits, type Unit } from '@apple-cart/core';
import { useSettings } from './settings-store.ts';

export interface Shown {
  readonly text: string;
  readonly unit: string;
}

/** Formats quantities in the reader's units. */
export function useQuantity(): (value: number, unit: Unit, digits?: number) => Shown {
  const system = useSettings((state) => state.units);
  return useCallback(
    (value, unit, digits) => {
      const shown = shownUnit(unit, system);
      const converted = convert(value, unit, shown);
      return {
        text: formatNumber(converted, digits ?? usualDigits(converted, shown)),
        unit: unitText(shown),
      };
    },
    [system],
  );
}
