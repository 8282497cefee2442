import { formatQuantity } from './format.ts';
import { convert, type Unit } from './units.ts';
import { shownUnit, type UnitSystem } from './unit-system.ts';

/** Words with quantities inside, so that the reader's units are chosen once, at the edge. */
export type Phrase = readonly (
  | string
  | {
      readonly value: number;
      readonly unit: Unit;
      readonly digits?: number | undefined;
      /** Told to so many figures, in whatever unit. */
      readonly figures?: number;
    }
)[];

/** A quantity inside a phrase. */
export const qty = (value: number, unit: Unit, digits?: number) =>
  digits === undefined ? { value, unit } : { value, unit, digits };

/** What rests on a rule of thumb: two figures in the reader's unit. */
export const roughly = (value: number, unit: Unit) => ({ value, unit, digits: 0, figures: 2 });

/** The phrase as plain text in a system of units. */
export const phraseText = (phrase: Phrase, system: UnitSystem = 'metric'): string =>
  phrase
    .map((part) => {
      if (typeof part === 'string') return part;
      const unit = shownUnit(part.unit, system);
      // An inch is 25 of the millimetres that the decimals were meant for.
      const finer = part.unit === 'mm' && unit === 'in' ? 2 : 0;
      const digits = part.digits === undefined ? undefined : part.digits + finer;
      const value = convert(part.value, part.unit, unit);
      const told = part.figures === undefined ? value : Number(value.toPrecision(part.figures));
      return formatQuantity(told, unit, digits);
    })
    .join('');
