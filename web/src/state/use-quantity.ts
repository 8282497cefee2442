import { useCallback } from 'react';
import {
  convert,
  formatChange,
  formatNumber,
  shownUnit,
  unitText,
  usualDigits,
  type Unit,
} from '@apple-cart/core';
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

/** Formats spreads of quantities in the reader's units, without a sign: a spread of a temperature has no zero of its own. */
export function useSpread(): (deviation: number, unit: Unit, digits?: number) => Shown {
  const system = useSettings((state) => state.units);
  return useCallback(
    (deviation, unit, digits) => {
      const shown = shownUnit(unit, system);
      const converted = Math.abs(convert(deviation, unit, shown) - convert(0, unit, shown));
      return {
        text: formatNumber(converted, digits ?? usualDigits(converted, shown)),
        unit: shown === 'C' ? 'K' : unitText(shown),
      };
    },
    [system],
  );
}

/** Formats changes of quantities in the reader's units; undefined for a change too small to show. */
export function useChange(): (change: number, unit: Unit, digits?: number) => Shown | undefined {
  const system = useSettings((state) => state.units);
  return useCallback(
    (change, unit, digits) => {
      const shown = shownUnit(unit, system);
      const text = formatChange(change, unit, shown, digits);
      return text === undefined ? undefined : { text, unit: unitText(shown) };
    },
    [system],
  );
}

/** A unit as the reader has it, and how many of it one of the stored ones is: for what is typed into tables, and for sums of money by it. */
export function useUnit(unit: Unit): { readonly word: string; readonly scale: number } {
  const shown = shownUnit(
    unit,
    useSettings((state) => state.units),
  );
  return { word: unitText(shown), scale: convert(1, unit, shown) };
}

/** How far, as the reader counts it: one of them and several, in words. */
export function useWay(): {
  readonly name: string;
  readonly names: string;
  readonly word: string;
  readonly scale: number;
} {
  const unit = useUnit('km');
  return { ...unit, ...(unit.word === 'mi' ? MILES : KILOMETRES) };
}
const MILES = { name: 'mile', names: 'Miles' } as const;
const KILOMETRES = { name: 'kilometre', names: 'Kilometres' } as const;
